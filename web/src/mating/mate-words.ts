import type { Schemas } from '../api/api';
import { calendarDay, plural } from '../format/time';

export type Answer = Schemas['MatesAnswer']['verdict'];

const LETTERS: Record<string, Answer> = { Y: 'YES', P: 'PARTLY', N: 'NO', U: 'UNKNOWN' };

export const answerOf = (letter: string): Answer => LETTERS[letter] ?? 'UNKNOWN';

/** How many crosses of a group are yes, partly, no and unknown. */
export function mateSentence(group: Schemas['MatesGroup']): string {
  const letters = group.cells.join('');
  const count = (letter: string) => letters.split(letter).length - 1;
  return [
    [count('Y'), 'fit'],
    [count('P'), 'fit partly'],
    [count('N'), 'do not'],
    [count('U'), 'unknown'],
  ]
    .filter(([n]) => (n as number) > 0)
    .map(([n, words]) => `${n} ${words}`)
    .join(', ');
}

/** Whether the father sheds while the mother is receptive. */
export function bloomWords(b: Schemas['MatesBloom'] | Schemas['SeasonStoragePlan']): string {
  switch (b.kind) {
    case 'FRESH':
      return `Their blooms meet from ${calendarDay(b.freshFrom!)} to ${calendarDay(b.freshUntil!)}: fresh pollen will do.`;
    case 'KEEP':
      return `The father is over before the mother begins: its pollen must be stored ${plural('keepDays' in b ? b.keepDays : b.days, 'day')}.`;
    case 'LAST_YEARS':
      return 'The father begins when the mother is over: it needs pollen of the year before.';
    default:
      return 'One of the two never has such flowers.';
  }
}

/** Most rows and columns drawn at once; more is no picture any more. */
export const MOST_SHOWN = 40;

interface Placed {
  party: Schemas['MatesParty'];
  /** Its place in the matrix. */
  at: number;
}

/** Those that are named, or parts of whose names are, with commas between; all where nobody is. */
export function named(parties: Schemas['MatesParty'][], wanted: string): Placed[] {
  const names = wanted
    .toLowerCase()
    .split(',')
    .map((n) => n.trim())
    .filter(Boolean);
  return parties
    .map((party, at) => ({ party, at }))
    .filter(({ party }) => names.length === 0 || names.some((n) => party.name.toLowerCase().includes(n)));
}

/** Those to draw: all, or of many those with trees and pollen first. */
export const shown = (parties: Placed[]): Placed[] =>
  parties.length <= MOST_SHOWN
    ? parties
    : [...parties]
        .sort((a, b) => b.party.trees + b.party.doses - a.party.trees - a.party.doses || a.at - b.at)
        .slice(0, MOST_SHOWN);

/** "50 mothers × 3 fathers: 131 fit" */
export function combinationWords(group: Schemas['MatesGroup'], mothers: Placed[], fathers: Placed[]): string {
  const fit = mothers.reduce(
    (n, m) => n + fathers.filter((f) => 'YP'.includes(group.cells[m.at]![f.at]!)).length,
    0,
  );
  return `${plural(mothers.length, 'mother')} × ${plural(fathers.length, 'father')}: ${fit} fit`;
}
