import type { Schemas } from '../kit/api';
import { plural } from '../kit/time';

type Stop = Schemas['RoundStop'];
export type Step = Stop['kind'];

export const STEP: Record<Step, string> = {
  THIN: 'Thin the cluster',
  EMASCULATE: 'Take its own pollen away',
  BAG: 'Bag',
  POLLINATE: 'Give pollen',
  POLLINATE_AGAIN: 'Give pollen once more',
  REBAG: 'Bag again',
  BAG_OFF: 'Take the bag off',
};

/** What has been done, for a message. */
export const STEP_DONE: Record<Step, string> = {
  THIN: 'thinned',
  EMASCULATE: 'own pollen removed',
  BAG: 'bagged',
  POLLINATE: 'given pollen',
  POLLINATE_AGAIN: 'given pollen once more',
  REBAG: 'bagged again',
  BAG_OFF: 'bag off',
};

export const givesPollen = (kind: Step): boolean => kind === 'POLLINATE' || kind === 'POLLINATE_AGAIN';

/** The cross that flowers belong to, in a line; its number once it has one. */
export const crossWords = (stop: Stop): string =>
  stop.cross
    ? stop.cross.label
      ? `cross ${stop.cross.label}, ${stop.varietyName} × ${stop.cross.father}`
      : `for ${stop.varietyName} × ${stop.cross.father}`
    : '';

/** How far a wish has come. */
export function wantedWords(w: Schemas['WantedCross']): string {
  const seeds = w.seeds === undefined ? '' : `for ${plural(w.seeds, 'seed')} `;
  const parts = [
    `${seeds}${w.made} of ${plural(w.flowers, 'flower')} given pollen`,
    ...(w.ready > 0 ? [`${w.ready} made ready or meant`] : []),
    ...(w.more > 0 ? [`${w.more} more wanted`] : []),
  ];
  return `${parts.join(', ')}.`;
}
