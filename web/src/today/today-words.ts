import type { Schemas } from '../kit/api';
import { clock, daysBetween } from '../kit/time';
import { givesPollen } from '../crossing/cross-words';

/** The pieces of Today's sentence; each number on the page can then be asked why. */
export interface TodayWords {
  /** "This evening", "Tomorrow" */
  when: string;
  from: string;
  until: string;
  /** varieties whose pollen is collected first */
  collect: string[];
  /** flowers to pollinate */
  flowers: number;
  trees: number;
}

/** What the next visit of the plan comes to; nothing where there is none. */
export function todayWords(plan: Schemas['Plan'], now: Date, zone: string): TodayWords | undefined {
  const visit = plan.rounds[0];
  if (!visit) return undefined;
  const from = new Date(visit.at);
  const days = daysBetween(now, from, zone);
  const hour = Number(clock(from, zone).slice(0, 2));
  const part = hour < 11 ? 'morning' : hour < 15 ? 'day' : hour < 21 ? 'evening' : 'night';
  const stops = visit.stops.filter((s) => givesPollen(s.kind));
  return {
    when:
      days === 0
        ? part === 'day'
          ? 'Today'
          : part === 'night'
            ? 'Tonight'
            : `This ${part}`
        : part === 'day'
          ? 'Tomorrow'
          : `Tomorrow ${part}`,
    from: clock(from, zone),
    until: clock(new Date(visit.until), zone),
    collect: visit.collect.map((c) => c.variety),
    flowers: stops.reduce((n, s) => n + s.flowers, 0),
    trees: new Set(stops.map((s) => s.treeId)).size,
  };
}
