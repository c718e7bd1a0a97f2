import type { Schemas } from '../kit/api';
import type { Outgoing } from '../kit/store';
import { plural } from '../kit/time';

type Row = Schemas['FruitSetRow'];

/** How many of each a look counted. */
export interface Counts {
  taken: number;
  failed: number;
  dropped: number;
  unknown: number;
  thinned: number;
  lost: number;
}

export const NO_COUNTS: Counts = { taken: 0, failed: 0, dropped: 0, unknown: 0, thinned: 0, lost: 0 };

export const counted = (c: Counts): number => c.taken + c.failed + c.dropped + c.unknown + c.thinned + c.lost;

/** What the look before found, in words. */
export function lastWords(row: Row): string | undefined {
  const last = row.checks.at(-1);
  if (!last) return undefined;
  const parts = [`${last.taken} set`, `${last.failed} failed`];
  if (last.dropped) parts.push(`${last.dropped} dropped`);
  if (last.unknown) parts.push(`${last.unknown} not yet known`);
  if (last.thinned) parts.push(`${last.thinned} thinned`);
  return `last check: ${parts.join(', ')}`;
}

/** How the counts stand to the flowers that were done. */
export function leftWords(flowers: number, counts: Counts): string {
  const left = flowers - counted(counts);
  if (left < 0) return `${-left} more than the ${plural(flowers, 'flower')} that were done`;
  if (left === flowers) return `${plural(flowers, 'flower')} to look for`;
  if (left === 0) return flowers === 1 ? 'that is the one' : `all ${flowers} flowers accounted for`;
  return `${plural(left, 'flower')} of ${flowers} not found; they count neither way`;
}

/** Only what held at an earlier look can have dropped since. */
export const mayHaveDropped = (row: Row): boolean => row.checks.some((c) => c.taken + c.dropped > 0);

/** What was done: with whose pollen, or nothing. */
export function doneWords(p: Row['pollination']): string {
  if (p.how.treatment !== 'HAND') return p.lotCode;
  return `with ${p.lotCode} ${p.pollenParent}`;
}

/** Where to find them: mark, colour, number. */
export const markWords = (p: Row['pollination']): string =>
  [p.crossLabel && `cross ${p.crossLabel}`, p.mark, p.colour, p.tag].filter(Boolean).join(', ');

/** Pollinations whose check waits on this device. */
export const looksWaiting = (outbox: Outgoing[]): Set<string> =>
  new Set(outbox.filter((w) => w.path.startsWith('/api/checks/')).map((w) => String(w.body.pollinationId)));

export const SHAPES = [
  { value: 'WHOLE', label: 'whole' },
  { value: 'ONE_SIDED', label: 'one-sided' },
  { value: 'CROOKED', label: 'crooked' },
] as const;

export const ENDS = { HARVESTED: 'harvested', FALLEN: 'found fallen', TAKEN_OFF: 'thinned' } as const;
