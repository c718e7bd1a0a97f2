import type { Schemas } from '../api/api';
import { decimal } from '../format/numbers';
import { calendarDay, daysBetween, said } from '../format/time';
import { count, has, t, tell, type MessageKey } from '../text/text';

/** The plan in a sentence. */
export function planSentence(plan: Schemas['Plan']): string {
  const rounds = plan.rounds.filter((r) => r.flowers > 0);
  const flowers = rounds.reduce((n, r) => n + r.flowers, 0);
  if (flowers === 0) return t('plan.no-visit');
  return t('plan.sentence', {
    visits: count('visit', rounds.length),
    flowers: count('flower', flowers),
    fruits: decimal(plan.expectedFruits, 0),
  });
}

/** Whether an obstacle is about a permit, which comes before all others. */
export const isOfPermit = (obstacle: Schemas['Plan']['obstacles'][number]): boolean =>
  obstacle.key.startsWith('obstacle.permit');

/** Why flowers are left. */
export const reasonWords = (reason: string): string =>
  has(`reason.${reason}`) ? t(`reason.${reason}` as MessageKey) : reason;

/** Why flowers are not wanted. */
export const notWantedWords = (as: NonNullable<Schemas['TreeFlowerAccount']['notWantedAs']>): string =>
  t(`not-wanted.${as}`);

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
  return of.later === of.doses ? t('collect.all-later') : t('collect.some-later', { n: of.later });
}

/** How many male flowers of which trees. */
export const collectWords = (c: Schemas['PlannedCollecting']): string =>
  t('collect.for-doses', { flowers: count('maleFlower', c.flowers), doses: count('dose', c.doses) }) +
  (c.trees.length > 0
    ? t('collect.from-trees', {
        trees: c.trees
          .map((of) =>
            t('collect.from-tree', { tree: of.tree, flowers: Math.round(of.flowers), place: tell(of.place) }),
          )
          .join(', '),
      })
    : '');

export const leftWords = (l: Schemas['PlanLeft']): string =>
  t('plan.left', { tree: l.tree, flowers: l.flowers, why: reasonWords(l.reason) });
