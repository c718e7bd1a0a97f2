import type { Schemas } from '../api/api';
import { STAGES } from './seed-words';

type Row = Schemas['SeedlingRow'];
type Event = Schemas['SeedlingStep']['event'];

const DONE: Record<Event, string> = {
  POTTED: 'potted',
  PLANTED: 'planted out',
  MOVED: 'moved',
  GRAFTED: 'grafted',
  FLOWERED: 'first flowers',
  FRUITED: 'first fruit',
  SELECTED: 'selected',
  SEEN: 'seen to',
  DISCARDED: 'discarded',
  DIED: 'died',
  GIVEN_AWAY: 'given away',
};

const TO_DO: Record<Event, string> = {
  POTTED: 'Potted',
  PLANTED: 'Planted out',
  MOVED: 'Moved to another place',
  GRAFTED: 'Its wood grafted',
  FLOWERED: 'First flowers',
  FRUITED: 'First fruit',
  SELECTED: 'Select it',
  SEEN: 'Seen to, nothing changed',
  DISCARDED: 'Discard it',
  DIED: 'It died',
  GIVEN_AWAY: 'Given away',
};

export const eventChoice = (event: Event): string => TO_DO[event];

/** What happened, in one line: “grafted on dwarf 9, bench 1”. */
export const eventWords = (s: {
  event: Event;
  rootstock?: string | undefined;
  place?: string | undefined;
}): string =>
  [`${DONE[s.event]}${s.rootstock ? ` on ${s.rootstock}` : ''}`, s.place].filter(Boolean).join(', ');

/** The same, of a line of a story. */
export const eventInStory = (event: string): string => DONE[event as Event];

export const STATES: Record<Row['state'], string> = {
  GROWING: 'growing',
  SELECTED: 'selected',
  DISCARDED: 'discarded',
  DEAD: 'dead',
  GIVEN_AWAY: 'given away',
};

/** Where it is while it is there, else what has become of it. */
export const where = (row: Row): string =>
  row.endedOn ? STATES[row.state] : [STAGES[row.stage], row.place].filter(Boolean).join(', ');

/** Whether it is still there. */
export const grows = (row: Row): boolean => row.endedOn === undefined;
