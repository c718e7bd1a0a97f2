import type { Schemas } from '../api/api';
import { useHere } from './orchard-context';

export type Role = Schemas['SessionView']['role'];

/** What each may, as the server has it; the page only leaves out what would be refused. */
const MAY = {
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

/** Whether the caller may do what needs a duty. */
export function useMay(duty: keyof typeof MAY): boolean {
  return MAY[duty].includes(useHere().session.role as never);
}
