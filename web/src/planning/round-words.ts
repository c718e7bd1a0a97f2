import type { Schemas } from '../kit/api';
import { percent } from '../kit/numbers';
import { plural } from '../kit/time';
import { givesPollen } from '../crossing/cross-words';

type Stop = Schemas['RoundStop'];

export interface Leg {
  code: string;
  parent: string;
  stops: Stop[];
}

/** Steps on crosses that belong to no visit of the round stand for themselves. */
const CROSS_STEPS: Leg = { code: 'Crosses', parent: 'made ready, or uncovered', stops: [] };

const sameCross = (a: Stop, b: Stop): boolean =>
  a.treeId === b.treeId && a.cross?.fatherId === b.cross?.fatherId && a.cross?.label === b.cross?.label;

/** The jar that a stop goes with: its own, or that of the visit which a step leads up to or follows. */
function jarOf(stops: Stop[], index: number): Stop | undefined {
  const stop = stops[index]!;
  return givesPollen(stop.kind) ? stop : stops.find((s) => givesPollen(s.kind) && sameCross(s, stop));
}

/** Stops one father after another, in the order of the plan. */
export function byFather(stops: Stop[]): Leg[] {
  const legs: Leg[] = [];
  stops.forEach((stop, i) => {
    const jar = jarOf(stops, i);
    const code = jar ? jar.lotCode : CROSS_STEPS.code;
    const last = legs.at(-1);
    if (last?.code === code) last.stops.push(stop);
    else legs.push({ code, parent: jar ? jar.pollenParent : CROSS_STEPS.parent, stops: [stop] });
  });
  return legs;
}

const sum = (stops: Stop[]): number => stops.reduce((n, s) => n + s.flowers, 0);

/** Flowers that are given pollen; steps on crosses give none, and those that had it before are told apart. */
export function flowersWords(stops: Stop[]): string {
  const first = sum(stops.filter((s) => givesPollen(s.kind) && !s.againOf));
  const again = sum(stops.filter((s) => s.againOf));
  if (again === 0) return plural(first, 'flower');
  return first === 0
    ? `${plural(again, 'flower')} once more`
    : `${plural(first, 'flower')} and ${again} once more`;
}

/** Which flowers they are, where it is those of a cross, or some that had pollen before. */
export function sameFlowers(
  stop: Stop,
): Pick<Schemas['PollinationRequest'], 'crossingId' | 'again' | 'againOf'> | undefined {
  if (stop.againOf) return { againOf: stop.againOf, again: true };
  const crossing = stop.cross?.crossingId;
  return crossing ? { crossingId: crossing, again: stop.kind === 'POLLINATE_AGAIN' } : undefined;
}

/** Flowers that wait for the same pollen in the same round, told together. */
export function waitingFor(
  waiting: Schemas['WaitingFlowers'][],
): { at: string; lot: string; flowers: number; trees: string }[] {
  const groups = new Map<string, Schemas['WaitingFlowers'][]>();
  for (const w of waiting) groups.set(w.at + w.lot, [...(groups.get(w.at + w.lot) ?? []), w]);
  return [...groups.values()]
    .map((of) => ({
      at: of[0]!.at,
      lot: of[0]!.lot,
      flowers: of.reduce((n, w) => n + w.flowers, 0),
      trees: of.map((w) => `${w.flowers} of ${w.tree}`).join(', '),
    }))
    .sort((a, b) => a.at.localeCompare(b.at) || a.lot.localeCompare(b.lot));
}

/** Why this jar to this tree, as a sentence. */
export const stopWhy = (s: Stop): string =>
  `${s.why} About ${percent(s.viability)} of ${s.lotCode} is alive at that hour; counting how ready the flowers are, ` +
  `${plural(s.flowers, 'flower')} count as ${s.expected.toFixed(1)} full ones.`;
