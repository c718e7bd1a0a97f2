import type { Schemas } from '../kit/api';
import { said, shortDay, span } from '../kit/time';

type Lot = Schemas['LotView'];

export const STORAGE: Record<Lot['storage'], string> = {
  ROOM: 'open at room',
  FRIDGE: 'fridge, no desiccant',
  FRIDGE_DESICCANT: 'fridge, dry',
  FREEZER: 'freezer',
};

export type LotState = 'good' | 'old' | 'spoiled' | 'empty';

export function lotState(lot: Lot): LotState {
  if (lot.dosesLeft === 0) return 'empty';
  if (lot.viability.spoiled) return 'spoiled';
  return lot.viability.goodUntil ? 'good' : 'old';
}

/** What to do with a jar, in a few words. */
export function lotWords(lot: Lot, now: Date, zone: string): string {
  switch (lotState(lot)) {
    case 'empty':
      return 'used up';
    case 'spoiled':
      return 'mould likely: throw it';
    case 'old':
      return 'too old to count on';
    default:
      return goodFor(lot.viability.evenings, new Date(lot.viability.goodUntil!), now, zone);
  }
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven'];

/** "good for two more evenings"; by the clock where it is hours, by the day where it is long. */
function goodFor(evenings: number, until: Date, now: Date, zone: string): string {
  if (evenings === 0) return `good until ${said(until, now, zone)}, not for another evening`;
  if (evenings < NUMBERS.length)
    return `good for ${NUMBERS[evenings]} more ${evenings === 1 ? 'evening' : 'evenings'}`;
  return `good until ${shortDay(until, zone)}`;
}

/** "3 hours old" */
export const lotAge = (lot: Lot, now: Date): string =>
  `${span(Math.max(0, now.getTime() - Date.parse(lot.collectedAt)) / 3_600_000)} old`;

/** "3 flowers of Lantern 1", or the jars it was poured from */
export const lotOrigin = (lot: Lot): string =>
  lot.parts.length > 0
    ? `poured from ${lot.parts.map((p) => `${p.code} (${p.doses})`).join(', ')}`
    : lot.sources
        .map((s) => `${s.flowers} ${s.flowers === 1 ? 'flower' : 'flowers'} of ${s.treeName}`)
        .join(', ');

/** "75 % Lantern, 25 % Pale Ridge"; empty for one father */
export const blendWords = (lot: Lot): string =>
  lot.fathers.length < 2
    ? ''
    : lot.fathers.map((f) => `${Math.round(f.share * 100)}\u00a0% ${f.varietyName}`).join(', ');

/** Where it is and how, in a few words. */
export function whereabouts(lot: Lot): string {
  if (lot.storage !== 'ROOM') return STORAGE[lot.storage];
  const how = lot.open ? 'open at room' : 'lidded at room';
  return lot.dry ? `${how}, dry` : `${how}, still drying`;
}

export const WAYS: Record<NonNullable<Lot['way']>, string> = {
  TAP: 'tapped over a cup',
  FLICK: 'flicked',
  COMB: 'combed off',
  SNIP: 'anthers snipped',
  WHOLE_FLOWER: 'whole flowers',
  BALLOON: 'blossoms at balloon, for drying',
};

/** Jars to use first in front: good ones by how long they stay good, then what is too old, then what is empty. */
export function inUseOrder(lots: Lot[]): Lot[] {
  const rank: Record<LotState, number> = { good: 0, old: 1, spoiled: 1, empty: 2 };
  const until = (l: Lot) => (l.viability.goodUntil ? Date.parse(l.viability.goodUntil) : Infinity);
  return [...lots].sort(
    (a, b) => rank[lotState(a)] - rank[lotState(b)] || until(a) - until(b) || a.code.localeCompare(b.code),
  );
}
