import type { Schemas } from '../api/api';
import { clock, daysBetween, listed, shortDay } from '../format/time';
import { givesPollen } from '../crossing/cross-words';
import { t } from '../text/text';

/** The pieces of Today's headline; each number on the page can then be asked why. */
export interface TodayWords {
  /** "Tomorrow", "Thu 26 Nov"; empty for today */
  day: string;
  from: string;
  /** what is collected first: one or two names, or how many varieties */
  collect: string;
  /** flowers to pollinate */
  flowers: number;
  trees: number;
}

/** Two names, or how many: a headline is short. */
const some = (names: string[]): string =>
  names.length <= 2 ? listed(names) : t('headline.varieties', { n: names.length });

/** What the next visit of the plan comes to; nothing where there is none. */
export function todayWords(plan: Schemas['Plan'], now: Date, zone: string): TodayWords | undefined {
  const visit = plan.rounds[0];
  if (!visit) return undefined;
  const from = new Date(visit.at);
  const days = daysBetween(now, from, zone);
  const stops = visit.stops.filter((s) => givesPollen(s.kind));
  return {
    day: days === 0 ? '' : days === 1 ? t('headline.tomorrow') : shortDay(from, zone),
    from: clock(from, zone),
    collect: some(visit.collect.map((c) => c.variety)),
    flowers: stops.reduce((n, s) => n + s.flowers, 0),
    trees: new Set(stops.map((s) => s.treeId)).size,
  };
}
