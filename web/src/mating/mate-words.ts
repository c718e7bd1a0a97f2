import type { Schemas } from '../kit/api';
import { calendarDay, plural } from '../kit/time';

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

/** Whether the father gives while the mother takes. */
export function bloomWords(b: Schemas['MatesBloom'] | Schemas['SeasonBridge']): string {
  switch (b.way) {
    case 'FRESH':
      return `Their blooms meet from ${calendarDay(b.freshFrom!)} to ${calendarDay(b.freshUntil!)}: fresh pollen will do.`;
    case 'KEEP':
      return `He is over before she begins: his pollen must be kept ${plural('keepDays' in b ? b.keepDays : b.days, 'day')}.`;
    case 'LAST_YEARS':
      return 'He begins when she is over: it takes pollen of the year before.';
    default:
      return 'One of the two never has such flowers.';
  }
}
