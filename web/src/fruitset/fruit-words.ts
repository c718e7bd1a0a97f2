import type { Schemas } from '../api/api';
import type { Outgoing } from '../offline/store';
import { phrase, t } from '../text/text';

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

/** What the latest check knew; of flowers that were too early to tell it is asked anew. */
export function knownBefore(row: Row): Counts {
  const last = row.checks.at(-1);
  return last
    ? {
        taken: last.taken,
        failed: last.failed,
        dropped: last.dropped,
        unknown: 0,
        thinned: last.thinned,
        lost: last.lost,
      }
    : NO_COUNTS;
}

/** One flower more of a kind. Where all are counted it is one that had set: it fell, or was judged wrongly. */
export function oneMore(counts: Counts, key: keyof Counts, left: number): Counts {
  const moved = left <= 0 && key !== 'taken' && counts.taken > 0 ? 1 : 0;
  return { ...counts, taken: counts.taken - moved, [key]: counts[key] + 1 };
}

export const counted = (c: Counts): number => c.taken + c.failed + c.dropped + c.unknown + c.thinned + c.lost;

/** What the look before found, in words. */
export function lastWords(row: Row): string | undefined {
  const last = row.checks.at(-1);
  if (!last) return undefined;
  const parts = [t('found-n.set', { n: last.taken }), t('found-n.failed', { n: last.failed })];
  if (last.dropped) parts.push(t('found-n.dropped', { n: last.dropped }));
  if (last.unknown) parts.push(t('found-n.unknown', { n: last.unknown }));
  if (last.thinned) parts.push(t('found-n.thinned', { n: last.thinned }));
  const { resting = 0, oneSided = 0, crooked = 0 } = { ...last.detail };
  if (resting) parts.push(t('found-n.resting', { n: resting }));
  if (oneSided + crooked) parts.push(t('found-n.misshapen', { n: oneSided + crooked }));
  return t('check.last-found', { list: parts.join(', ') });
}

/** How the counts stand to the flowers that were done. */
export function leftWords(flowers: number, counts: Counts): string {
  const left = flowers - counted(counts);
  if (left < 0) return t('check.too-many', { n: -left, flowers });
  if (left === flowers) return t('check.to-look-for', { n: flowers });
  if (left === 0) return t('check.all-found', { n: flowers });
  return t('check.not-found', { n: left, of: flowers });
}

/** Only what held at an earlier look can have dropped since. */
export const mayHaveDropped = (row: Row): boolean => row.checks.some((c) => c.taken + c.dropped > 0);

/** What was done: with whose pollen, or nothing. */
export function doneWords(p: Row['pollination']): string {
  if (p.how.treatment !== 'HAND') return p.lotCode;
  return t('check.with', { jar: p.lotCode, father: p.pollenParent });
}

/** Where to find them: mark, colour, number. */
export const markWords = (p: Row['pollination']): string =>
  [p.crossLabel && t('check.cross', { label: p.crossLabel }), p.mark && phrase(p.mark), p.colour, p.tag]
    .filter(Boolean)
    .join(', ');

/** Pollinations whose check waits on this device. */
export const looksWaiting = (outbox: Outgoing[]): Set<string> =>
  new Set(outbox.filter((w) => w.path.startsWith('/api/checks/')).map((w) => String(w.body.pollinationId)));

export const SHAPES = [
  { value: 'WHOLE', label: 'whole' },
  { value: 'ONE_SIDED', label: 'one-sided' },
  { value: 'CROOKED', label: 'crooked' },
] as const;

export const ENDS = { HARVESTED: 'harvested', FALLEN: 'found fallen', TAKEN_OFF: 'thinned' } as const;
