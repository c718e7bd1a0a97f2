import type { Schemas } from '../kit/api';
import { plural } from '../kit/time';

/** The plan in a sentence. */
export function planSentence(plan: Schemas['Plan']): string {
  const rounds = plan.rounds.filter((r) => r.flowers > 0);
  const flowers = rounds.reduce((n, r) => n + r.flowers, 0);
  if (flowers === 0) return 'No visit in these days.';
  return `${plural(rounds.length, 'visit')}, ${plural(flowers, 'flower')}, about ${plan.expectedFruits.toFixed(0)} fruits to be expected.`;
}

/** Why flowers are left. */
export const REASONS: Record<string, string> = {
  NO_POLLEN: 'there is no pollen at all',
  NO_LOT_THAT_SERVES: 'no pollen that there is or will be serves it',
  DOSES_RUN_OUT: 'the doses run out',
  MORE_THAN_CAN_BE_DONE: 'more than can be done in your hours',
  CROSS_NOT_READY: 'no flower stands at the stage at which it is made ready',
  CROSS_WITHOUT_POLLEN: 'there is no pollen of this father alone',
};

/** Doses of what is collected that wait for later visits, in words. */
export function laterWords(of: Schemas['PlannedCollecting']): string {
  if (of.later <= 0) return '';
  return of.later === of.doses ? ', all for later visits' : `, ${plural(of.later, 'dose')} for later visits`;
}

/** How many male flowers of which trees. */
export const collectWords = (c: Schemas['PlannedCollecting']): string =>
  `${plural(c.flowers, 'male flower')} for ${plural(c.doses, 'dose')}` +
  (c.trees.length > 0
    ? `, from ${c.trees.map((t) => `${t.tree} (${Math.round(t.flowers)} shedding; ${t.place})`).join(', ')}`
    : '');

export const leftWords = (l: Schemas['PlanLeft']): string =>
  `${l.tree}: ${plural(l.flowers, 'flower')} left, ${REASONS[l.reason] ?? l.reason}.`;
