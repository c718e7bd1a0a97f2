import type { Schemas } from '../kit/api';
import { said, span } from '../kit/time';

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
      return `good until ${said(new Date(lot.viability.goodUntil!), now, zone)}`;
  }
}

/** "3 hours old" */
export const lotAge = (lot: Lot): string => `${span(lot.viability.hours)} old`;

/** Jars to use first in front: good ones by how long they stay good, then what is too old, then what is empty. */
export function inUseOrder(lots: Lot[]): Lot[] {
  const rank: Record<LotState, number> = { good: 0, old: 1, spoiled: 1, empty: 2 };
  const until = (l: Lot) => (l.viability.goodUntil ? Date.parse(l.viability.goodUntil) : Infinity);
  return [...lots].sort(
    (a, b) => rank[lotState(a)] - rank[lotState(b)] || until(a) - until(b) || a.code.localeCompare(b.code),
  );
}
