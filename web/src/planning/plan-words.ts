import type { Schemas } from '../kit/api';
import { calendarDay, daysBetween, plural, said } from '../kit/time';

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
  RULED_OUT: 'nobody goes there then',
  DOSES_RUN_OUT: 'the doses run out',
  MORE_THAN_CAN_BE_DONE: 'more than can be done in your hours',
  CROSS_NOT_READY: 'no flower stands at the stage at which it is made ready',
  CROSS_WITHOUT_POLLEN: 'there is no pollen of this father alone',
};

/** Why flowers are not wanted. */
export const NOT_WANTED: Record<string, string> = {
  TARGET_REACHED: 'it has what it is wanted to bear',
  LEFT_ALONE: 'it is to bear nothing',
  CANNOT_CARRY: 'it can carry no fruit yet; ask for fruit under Fruit wanted',
  EARLY_FLUSH: 'too soon after leaf-out',
};

const saidAt = (at: Date, now: Date, zone: string): string =>
  daysBetween(now, at, zone) === 0 ? `at ${said(at, now, zone)}` : said(at, now, zone);

/** An override as a sentence without its end. */
export function overrideWords(
  of: Omit<Schemas['PlanOverrideRequest'], 'kind'> & {
    kind: Schemas['PlanOverride']['kind'];
    tree?: string | undefined;
  },
  now: Date,
  zone: string,
): string {
  if (of.kind === 'VISIT_AT')
    return `A visit ${saidAt(new Date(of.visitAt!), now, zone)}, in place of the one next to it`;
  if (of.kind === 'SKIP_VISIT') return `Nobody goes on the visit ${saidAt(new Date(of.visitAt!), now, zone)}`;
  const days =
    of.lastDay && of.lastDay !== of.firstDay
      ? `from ${calendarDay(of.firstDay!)} to ${calendarDay(of.lastDay)}`
      : `on ${calendarDay(of.firstDay!)}`;
  return of.kind === 'SKIP_DAYS' ? `Nobody goes ${days}` : `Nobody goes to ${of.tree} ${days}`;
}

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
