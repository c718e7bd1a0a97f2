import type { Schemas } from '../kit/api';
import { flowers } from '../kit/numbers';
import { clock, daysBetween, said } from '../kit/time';

/** The pieces of Today's sentence; each number on the page can then be asked why. */
export interface TodayWords {
  /** "This evening", "Tomorrow" */
  when: string;
  /** flowers that can take pollen at the best hour */
  taking: number;
  from: string;
  until: string;
  /** a tree to gather from first, and since when or from when it gives */
  gather: { tree: string; words: string } | undefined;
}

/** Where to gather: the tree that gives most at the best hour, or the first that will; not where flowers serve one another. */
function gatherFrom(
  bloom: Schemas['Bloom'],
  crops: Schemas['CropSheetView'][],
  at: Date,
  now: Date,
  zone: string,
) {
  const noJar = new Set(crops.filter((c) => c.hand.flowerToFlower).map((c) => c.key));
  const index = Math.round((at.getTime() - Date.parse(bloom.from)) / (bloom.stepMinutes * 60_000));
  const giving = bloom.trees
    .filter((t) => t.nextGiving && !noJar.has(t.crop))
    .map((t) => ({ t, at: t.giving.mean[index] ?? 0 }))
    .sort((a, b) => b.at - a.at)[0];
  if (!giving) return undefined;
  const from = new Date(giving.t.nextGiving!.from);
  const words =
    from <= now
      ? giving.t.nextGiving!.endsInForecast
        ? `its flowers give pollen until ${said(new Date(giving.t.nextGiving!.until), now, zone)}`
        : 'its flowers give pollen now'
      : `its anthers loosen about ${said(from, now, zone)}`;
  return { tree: giving.t.treeName, words };
}

export function todayWords(
  bloom: Schemas['Bloom'],
  round: Schemas['Round'],
  crops: Schemas['CropSheetView'][],
  now: Date,
  zone: string,
): TodayWords | undefined {
  const best = round.bestHours;
  if (!best) return undefined;
  const from = new Date(best.from);
  const days = daysBetween(now, from, zone);
  const hour = Number(clock(from, zone).slice(0, 2));
  const part = hour < 11 ? 'morning' : hour < 15 ? 'day' : 'evening';
  return {
    when:
      days === 0
        ? part === 'day'
          ? 'Today'
          : `This ${part}`
        : part === 'day'
          ? 'Tomorrow'
          : `Tomorrow ${part}`,
    taking: flowers(best.flowersAtStart),
    from: clock(from, zone),
    until: clock(new Date(best.until), zone),
    gather: gatherFrom(bloom, crops, from, now, zone),
  };
}
