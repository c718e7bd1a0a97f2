import type { Schemas } from '../api/api';
import { useContext } from 'react';
import { HereContext, useHere } from './orchard-context';

export type Role = Schemas['SessionView']['role'];

export const ROLE_NAMES: Record<Role, string> = {
  OWNER: 'Owner',
  MANAGER: 'Manager',
  WORKER: 'Worker',
  VIEWER: 'Viewer',
};

/** What a role is for, in a sentence. */
export const ROLE_MEANS: Record<Role, string> = {
  OWNER: 'Everything, people included.',
  MANAGER: 'Everything but people and the orchard itself.',
  WORKER: 'The work on the trees: walk, read, collect, check. No settings; removes only their own records.',
  VIEWER: 'Sees and exports everything, and writes nothing: an adviser, for example.',
};

export type Duty = Schemas['SessionView']['may'][number];

/** Whether the caller may do what needs a duty; the page only leaves out what the server would refuse. */
export const useMay = (duty: Duty): boolean => useHere().session.may.includes(duty);

/** The role of the caller, where it keeps them from what needs a duty; nobody is kept where nobody is signed in. */
export function useKept(duty: Duty): Role | undefined {
  const session = useContext(HereContext)?.session;
  return session && !session.may.includes(duty) ? session.role : undefined;
}
