import type { Schemas } from '../api/api';
import { said, shortDay, span } from '../format/time';
import { t } from '../text/text';

type Lot = Schemas['LotView'];

export const storageWords = (storage: Lot['storage']): string => t(`storage.${storage}`);

export type KeptStep = Pick<Schemas['KeepingStep'], 'kind' | 'storage'>;

/** What is done with a jar, as a choice. */
export const KEPT: Record<KeptStep['kind'], string> = {
  TRAY: 'Spread in an open tray',
  SUN: 'Put out in the sun',
  SEEN_DRY: 'Seen to be dry',
  LID: 'Lid on',
  STORED: 'Put away',
};

export const stepWords = (s: KeptStep): string =>
  s.kind === 'STORED' ? `Put away: ${storageWords(s.storage!)}` : KEPT[s.kind];

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
      return t('lot.used-up');
    case 'spoiled':
      return t('lot.mould');
    case 'old':
      return t('lot.old');
    default:
      return goodFor(lot.viability.evenings, new Date(lot.viability.goodUntil!), now, zone);
  }
}

/** More evenings are told by the last day. */
const MOST_EVENINGS = 7;

/** "good for two more evenings"; by the clock where it is hours, by the day where it is long. */
function goodFor(evenings: number, until: Date, now: Date, zone: string): string {
  if (evenings === 0) return t('lot.good-no-evening', { at: said(until, now, zone) });
  if (evenings <= MOST_EVENINGS) return t('lot.good-evenings', { n: evenings });
  return t('lot.good-until', { day: shortDay(until, zone) });
}

/** "3 hours old" */
export const lotAge = (lot: Lot, now: Date): string =>
  t('lot.age', { time: span(Math.max(0, now.getTime() - Date.parse(lot.collectedAt)) / 3_600_000) });

/** Since when it is in the orchard. */
export const hereSince = (lot: Lot): Date => new Date(lot.received?.receivedAt ?? lot.collectedAt);

/** "3 flowers of Lantern 1", the jars it was poured from, or whom it came from */
export const lotOrigin = (lot: Lot): string =>
  lot.received
    ? t('lot.from-elsewhere', { how: lot.received.how, from: lot.received.from })
    : lot.parts.length > 0
      ? t('lot.blended', { list: lot.parts.map((p) => `${p.code} (${p.doses})`).join(', ') })
      : lot.sources.map((s) => t('lot.flowers-of', { n: s.flowers, tree: s.treeName })).join(', ');

/** "75 % Lantern, 25 % Pale Ridge"; empty for one father */
export const blendWords = (lot: Lot): string =>
  lot.fathers.length < 2
    ? ''
    : lot.fathers.map((f) => `${Math.round(f.share * 100)}\u00a0% ${f.varietyName}`).join(', ');

/** Where it is and how, in a few words. */
export function whereabouts(lot: Lot): string {
  if (lot.storage !== 'ROOM') return storageWords(lot.storage);
  const how = lot.open ? t('storage.ROOM') : t('lot.lidded');
  return lot.dry ? t('lot.dry', { how }) : t('lot.drying', { how });
}

export const methodWords = (method: NonNullable<Lot['method']>): string => t(`collect-way.${method}`);

/** Jars to use first in front: good ones by how long they stay good, then what is too old, then what is empty. */
export function inUseOrder(lots: Lot[]): Lot[] {
  const rank: Record<LotState, number> = { good: 0, old: 1, spoiled: 1, empty: 2 };
  const until = (l: Lot) => (l.viability.goodUntil ? Date.parse(l.viability.goodUntil) : Infinity);
  return [...lots].sort(
    (a, b) => rank[lotState(a)] - rank[lotState(b)] || until(a) - until(b) || a.code.localeCompare(b.code),
  );
}
