import type { Schemas } from '../api/api';
import { useContext } from 'react';
import { HereContext, useHere } from './orchard-context';

export type Role = Schemas['SessionView']['role'];

/** What each may, as the server has it; the page only leaves out what would be refused. */
const MAY = {
  self: ['OWNER', 'MANAGER', 'WORKER', 'VIEWER'],
  work: ['OWNER', 'MANAGER', 'WORKER'],
  manage: ['OWNER', 'MANAGER'],
  own: ['OWNER'],
} satisfies Record<string, Role[]>;

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

export type Duty = keyof typeof MAY;

const may = (role: Role, duty: Duty): boolean => (MAY[duty] as Role[]).includes(role);

/** Whether the caller may do what needs a duty. */
export const useMay = (duty: Duty): boolean => may(useHere().session.role, duty);

/** The role of the caller, where it keeps them from what needs a duty; nobody is kept where nobody is signed in. */
export function useKept(duty: Duty): Role | undefined {
  const role = useContext(HereContext)?.session.role;
  return role && !may(role, duty) ? role : undefined;
}
