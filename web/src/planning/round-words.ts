import type { Schemas } from '../api/api';
import { decimal, percent } from '../format/numbers';
import { givesPollen } from '../crossing/cross-words';
import { count, t } from '../text/text';

type Stop = Schemas['RoundStop'];

export interface Leg {
  code: string;
  parent: string;
  stops: Stop[];
}

/** Steps on crosses that belong to no visit of the round stand for themselves. */
const crossSteps = (): Omit<Leg, 'stops'> => ({ code: t('leg.crosses'), parent: t('leg.steps') });

const sameCross = (a: Stop, b: Stop): boolean =>
  a.treeId === b.treeId && a.cross?.fatherId === b.cross?.fatherId && a.cross?.label === b.cross?.label;

/** What a stop's pollen is called: its jar's code, what it is where it is still to be collected, or the flowers' own. */
export const pollenOf = (stop: Stop): string =>
  stop.lotId
    ? stop.lotCode
    : stop.collectOf
      ? t('pollen.fresh', { variety: stop.pollenParent })
      : t('pollen.own');

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
    const code = jar ? pollenOf(jar) : crossSteps().code;
    const last = legs.at(-1);
    if (last?.code === code) last.stops.push(stop);
    else legs.push({ code, parent: jar ? jar.pollenParent : crossSteps().parent, stops: [stop] });
  });
  return legs;
}

const sum = (stops: Stop[]): number => stops.reduce((n, s) => n + s.flowers, 0);

/** Flowers that are given pollen; steps on crosses give none, and those that had it before are told apart. */
export function flowersWords(stops: Stop[]): string {
  const first = sum(stops.filter((s) => givesPollen(s.kind) && !s.againOf));
  const again = sum(stops.filter((s) => s.againOf));
  if (again === 0) return count('flower', first);
  return first === 0 ? t('flowers.again', { again }) : t('flowers.and-again', { first, again });
}

/** Which flowers they are, where it is those of a cross, or some that had pollen before. */
export function sameFlowers(
  stop: Stop,
): Pick<Schemas['PollinationRequest'], 'crossId' | 'again' | 'againOf'> | undefined {
  if (stop.againOf) return { againOf: stop.againOf, again: true };
  const controlledCross = stop.cross?.crossId;
  return controlledCross ? { crossId: controlledCross, again: stop.kind === 'POLLINATE_AGAIN' } : undefined;
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
      trees: of.map((w) => t('flowers.of-tree', { flowers: w.flowers, tree: w.tree })).join(', '),
    }))
    .sort((a, b) => a.at.localeCompare(b.at) || a.lot.localeCompare(b.lot));
}

/** Why this jar to this tree, as a sentence. */
export const stopWhy = (s: Stop): string =>
  [
    s.why,
    t('stop.worth', {
      alive: percent(s.viability),
      jar: s.lotCode,
      flowers: s.flowers,
      full: decimal(s.expected, 1),
    }),
  ].join(' ');
