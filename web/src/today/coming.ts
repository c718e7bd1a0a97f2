import type { Schemas } from '../api/api';

const DAY_MS = 24 * 3_600_000;

/** Whether it begins within a day: only then can its walk be begun. */
export const isSoon = (visit: Schemas['PlannedRound'], now: Date): boolean =>
  Date.parse(visit.at) <= now.getTime() + DAY_MS;

/** Visits that begin within a day; the next one where none does. */
export function comingVisits(plan: Schemas['Plan'], now: Date): Schemas['PlannedRound'][] {
  const soon = plan.rounds.filter((r) => isSoon(r, now));
  return soon.length > 0 ? soon : plan.rounds.slice(0, 1);
}

/** A visit, or something else that is due, in its place. */
export type Entry =
  { at: string; visit: Schemas['PlannedRound'] } | { at: string | undefined; due: Schemas['DueWork'] };

/** Visits and what is due beside them in order of time; what can be done at any hour of the day comes last. */
export function entries(plan: Schemas['Plan'], now: Date): Entry[] {
  const all: Entry[] = [
    ...comingVisits(plan, now).map((visit) => ({ at: visit.at, visit })),
    ...plan.due.map((due) => ({ at: due.at, due })),
  ];
  return all.sort((a, b) => (a.at ?? '9').localeCompare(b.at ?? '9'));
}
