import type { Schemas } from '../kit/api';
import { flowers } from '../kit/numbers';
import { plural, said } from '../kit/time';

type Row = Schemas['BloomRow'];

/** The two short lines at the end of a tree's ribbon: what there is now, and what comes next. */
export function rowWords(row: Row, now: Date, zone: string): { now: string; next: string } {
  if (!row.reading) return { now: 'not read yet', next: 'read it to foresee it' };
  const take = flowers(row.taking[0]?.mean ?? 0);
  const give = flowers(row.giving[0]?.mean ?? 0);
  const now_ = [take > 0 && `${take} to take`, give > 0 && `${give} giving`].filter(Boolean).join(', ');
  return { now: now_ || 'nothing just now', next: pollenWords(row, now, zone) };
}

/** When pollen will fall, and until when. */
export function pollenWords(row: Row, now: Date, zone: string): string {
  const giving = row.nextGiving;
  if (!giving) return 'no pollen in these days';
  const until = `${giving.endsInForecast ? 'to' : 'beyond'} ${said(new Date(giving.until), now, zone)}`;
  if (Date.parse(giving.from) <= now.getTime()) return `pollen ${until}`;
  return `pollen ${said(new Date(giving.from), now, zone)} ${until}`;
}

/** "About 63 flowers can take pollen now, 7 give it." and so on, for the whole orchard. */
export function boardSentence(bloom: Schemas['Bloom'], now: Date, zone: string): string {
  const read = bloom.trees.filter((t) => t.reading);
  if (read.length === 0)
    return 'No tree has been read lately. Read one, and its flowers are foreseen for three days.';
  const take = plural(flowers(bloom.takingNow), 'flower');
  const givers = read.filter((t) => t.nextGiving);
  const now_ = `About ${take} can take pollen now and ${flowers(bloom.givingNow)} give it.`;
  if (givers.length === 0) return `${now_} No pollen is to be expected in these days.`;
  const next = givers
    .filter((t) => Date.parse(t.nextGiving!.from) > now.getTime())
    .sort((a, b) => Date.parse(a.nextGiving!.from) - Date.parse(b.nextGiving!.from))[0];
  if (!next) return now_;
  return `${now_} The next pollen falls on ${next.treeName}, ${said(new Date(next.nextGiving!.from), now, zone)}.`;
}

/** Trees with most to do first; those not read last. */
export function byMostToDo(rows: Row[]): Row[] {
  const weight = (r: Row) => (r.reading ? (r.taking[0]?.mean ?? 0) + (r.giving[0]?.mean ?? 0) : -1);
  return [...rows].sort((a, b) => weight(b) - weight(a) || a.treeName.localeCompare(b.treeName));
}

/** The stage with most flowers in the latest reading that takes or gives, for the little picture. */
export function typicalStage(row: Row, sheet: Schemas['CropSheetView'] | undefined) {
  const counted = sheet?.stages.map((s) => ({ s, n: row.reading?.counts[s.key] ?? 0 })) ?? [];
  const busy = counted.filter(({ s }) => s.takes || s.gives);
  return (busy.sort((a, b) => b.n - a.n)[0] ?? counted[0])?.s;
}
