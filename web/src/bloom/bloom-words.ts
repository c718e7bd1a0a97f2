import type { Schemas } from '../api/api';
import { flowers } from '../format/numbers';
import { calendarDay, plural, said } from '../format/time';
import { t } from '../text/text';

type Row = Schemas['BloomRow'];
type Span = Pick<Schemas['Bloom'], 'from' | 'stepMinutes'>;

/** The two short lines at the end of a tree's ribbon: what there is now, and what comes next. */
export function rowWords(row: Row, bloom: Span, now: Date, zone: string): { now: string; next: string } {
  if (!row.reading) return { now: t('bloom.not-read'), next: t('bloom.read-it') };
  const take = flowers(row.receptive.mean[0] ?? 0);
  const give = flowers(row.shedding.mean[0] ?? 0);
  const now_ = [take > 0 && t('bloom.female', { n: take }), give > 0 && t('bloom.male', { n: give })]
    .filter(Boolean)
    .join(', ');
  return { now: now_ || laterWords(row, bloom, now, zone), next: pollenWords(row, now, zone) };
}

/** What will take pollen first, where nothing does now: how many at their most, and from when. */
function laterWords(row: Row, bloom: Span, now: Date, zone: string): string {
  const { mean } = row.receptive;
  const first = mean.findIndex((n) => flowers(n) > 0);
  if (first < 0) return t('bloom.nothing');
  const end = mean.findIndex((n, i) => i > first && flowers(n) === 0);
  const most = Math.max(...mean.slice(first, end < 0 ? undefined : end));
  const from = new Date(Date.parse(bloom.from) + first * bloom.stepMinutes * 60_000);
  return t('bloom.female-from', { n: flowers(most), at: said(from, now, zone) });
}

/** When pollen will fall, and until when. */
export function pollenWords(row: Row, now: Date, zone: string): string {
  const shedding = row.nextShedding;
  if (!shedding) return t('bloom.no-pollen');
  const from = new Date(shedding.from);
  const begun = from <= now;
  if (!shedding.endsInForecast)
    return begun ? t('bloom.pollen-always') : t('bloom.pollen-on', { from: said(from, now, zone) });
  const until = said(new Date(shedding.until), now, zone);
  return begun
    ? t('bloom.pollen-until', { until })
    : t('bloom.pollen-from-until', { from: said(from, now, zone), until });
}

/** "About 63 flowers can take pollen now, 7 give it." and so on, for the whole orchard. */
export function boardSentence(bloom: Schemas['Bloom'], now: Date, zone: string): string {
  const read = bloom.trees.filter((t) => t.reading);
  if (read.length === 0)
    return 'No tree has been read lately. Read one, and its flowers are foreseen for up to ten days.';
  const take = plural(flowers(bloom.receptiveNow), 'flower');
  const givers = read.filter((t) => t.nextShedding);
  const now_ = `About ${take} can be pollinated now and ${flowers(bloom.sheddingNow)} shed pollen.`;
  if (givers.length === 0) return `${now_} No pollen is to be expected in these days.`;
  const next = givers
    .filter((t) => Date.parse(t.nextShedding!.from) > now.getTime())
    .sort((a, b) => Date.parse(a.nextShedding!.from) - Date.parse(b.nextShedding!.from))[0];
  if (!next) return now_;
  return `${now_} The next pollen falls on ${next.treeName}, ${said(new Date(next.nextShedding!.from), now, zone)}.`;
}

/** "Gather pollen 16:10 to 19:40; pollinate 16:10 to 20:50." */
export function hoursWords(meeting: Schemas['VarietyMeeting'], now: Date, zone: string): string {
  const stretch = (h: Schemas['MeetingHours']) => {
    const from = new Date(h.from);
    const start = from <= now ? 'now' : said(from, now, zone);
    return `${start} to ${h.endsWithDark ? 'dark, ' : ''}${said(new Date(h.until), now, zone)}`;
  };
  if (!meeting.collect) return 'No pollen that serves it is to be expected in these days.';
  if (!meeting.pollinate) return `Pollen ${stretch(meeting.collect)}; no female after it in these days.`;
  return `Collect pollen ${stretch(meeting.collect)}; pollinate ${stretch(meeting.pollinate)}.`;
}

/** "Thu 26 Nov: 40 females, no pollen: gather on Wed 25 Nov and keep it." */
export function missWords(miss: Schemas['PollenMiss']): string {
  const what = `${calendarDay(miss.date)}: ${plural(Math.round(miss.females), 'female')}, no pollen`;
  return miss.collectOn
    ? `${what}; collect on ${calendarDay(miss.collectOn)} and keep it.`
    : `${what}, and none before it; it must come from a jar or from elsewhere.`;
}

export type Order = 'now' | 'evening' | 'pollen' | 'place';

const later = (iso: string | undefined) => (iso ? Date.parse(iso) : Infinity);
const busy = (r: Row) => (r.receptive.mean[0] ?? 0) + (r.shedding.mean[0] ?? 0);
const ORDERS: Record<Order, (a: Row, b: Row) => number> = {
  now: (a, b) => busy(b) - busy(a),
  evening: (a, b) => b.receptiveThisEvening - a.receptiveThisEvening,
  pollen: (a, b) => later(a.nextShedding?.from) - later(b.nextShedding?.from) || busy(b) - busy(a),
  place: (a, b) => a.block.localeCompare(b.block) || a.row - b.row || a.position - b.position,
};

/** Trees in an order; those not read last, unless they are walked by place. */
export function ordered(rows: Row[], order: Order): Row[] {
  const unread = (r: Row) => (order === 'place' || r.reading ? 0 : 1);
  return [...rows].sort(
    (a, b) => unread(a) - unread(b) || ORDERS[order](a, b) || a.treeName.localeCompare(b.treeName),
  );
}

/** Trees with most to do first; those not read last. */
export const byMostToDo = (rows: Row[]): Row[] => ordered(rows, 'now');

/** The stage with most flowers in the latest reading that takes or gives, for the little picture. */
export function typicalStage(row: Row, sheet: Schemas['CropSheetView'] | undefined) {
  const counted = sheet?.stages.map((s) => ({ s, n: row.reading?.counts[s.key] ?? 0 })) ?? [];
  const busyOnes = counted.filter(({ s }) => s.receives || s.sheds);
  return (busyOnes.sort((a, b) => b.n - a.n)[0] ?? counted[0])?.s;
}
