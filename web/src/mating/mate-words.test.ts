import { describe, expect, it } from 'vitest';
import { answerOf, bloomWords, mateSentence } from './mate-words';

describe('words about mates', () => {
  it('count the answers of a matrix and leave out what there is none of', () => {
    const group = { name: 'Apple', mothers: [], fathers: [], cells: ['YYP', 'NYU'], doubts: [] };
    expect(mateSentence(group)).toBe('3 fit, 1 fit partly, 1 do not, 1 unknown');
    expect(mateSentence({ ...group, cells: ['NN'] })).toBe('2 do not');
  });

  it('read the letters of the cells', () => {
    expect(['Y', 'P', 'N', 'U', '?'].map(answerOf)).toEqual(['YES', 'PARTLY', 'NO', 'UNKNOWN', 'UNKNOWN']);
  });

  it.each([
    [
      { kind: 'FRESH', freshFrom: '2026-12-14', freshUntil: '2027-01-05', keepDays: 0 },
      /meet from Mon 14 Dec to Tue 5 Jan/,
    ],
    [{ kind: 'KEEP', keepDays: 12 }, /stored 12 days/],
    [{ kind: 'LAST_YEARS', keepDays: 300 }, /pollen of the year before/],
    [{ kind: 'NEVER', keepDays: 0 }, /never has such flowers/],
  ] as const)('say whether the blooms meet: %j', (bloom, says) => {
    expect(bloomWords(bloom)).toMatch(says);
  });
});
