import type { Schemas } from '../kit/api';
import { percent } from '../kit/numbers';
import { plural } from '../kit/time';

type Stop = Schemas['RoundStop'];

/** Stops one father after another, in the order of the plan. */
export function byFather(stops: Stop[]): { code: string; parent: string; stops: Stop[] }[] {
  const groups: { code: string; parent: string; stops: Stop[] }[] = [];
  for (const stop of stops) {
    const last = groups.at(-1);
    if (last?.code === stop.lotCode) last.stops.push(stop);
    else groups.push({ code: stop.lotCode, parent: stop.pollenParent, stops: [stop] });
  }
  return groups;
}

const REASONS: Record<string, string> = {
  NO_POLLEN: 'there is no pollen at all; collect some first',
  NO_LOT_THAT_SERVES: 'no jar on the shelf can serve it',
  DOSES_RUN_OUT: 'the doses run out; more pollen would serve it',
  MORE_THAN_CAN_BE_DONE: 'more than can be done in the round',
};

/** Why flowers are left. */
export const unservedWords = (u: Schemas['Unserved']): string =>
  `${u.treeName}: ${plural(u.flowers, 'flower')} left, ${REASONS[u.reason] ?? u.reason}.`;

/** Why this jar to this tree, as a sentence. */
export const stopWhy = (s: Stop): string =>
  `${s.why} About ${percent(s.viability)} of ${s.lotCode} is alive at that hour; counting how ready the flowers are, ` +
  `${plural(s.flowers, 'flower')} are worth ${s.expected.toFixed(1)} full ones.`;
