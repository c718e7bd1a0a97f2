import { describe, expect, it } from 'vitest';
import { text } from '../test/samples';
import type { Schemas } from '../api/api';
import { leftWords, planSentence } from './plan-words';

const plan = (flowers: number[], expectedFruits: number) =>
  ({ rounds: flowers.map((n) => ({ flowers: n })), expectedFruits }) as unknown as Schemas['Plan'];

describe('words of the plan', () => {
  it('count rounds in which something is done, flowers and fruits', () => {
    expect(planSentence(plan([12, 0, 8], 9.6))).toBe('2 visits, 20 flowers, about 10 fruits to be expected.');
    expect(planSentence(plan([1], 0.4))).toBe('1 visit, 1 flower, about 0 fruits to be expected.');
  });

  it('say so when there is none', () => {
    expect(planSentence(plan([], 0))).toBe('No visit in these days.');
    expect(planSentence(plan([0, 0], 0))).toBe('No visit in these days.');
  });

  it.each([
    ['NO_POLLEN', /there is no pollen at all/],
    ['NO_LOT_THAT_SERVES', /no pollen that there is or will be serves it/],
    ['DOSES_RUN_OUT', /the doses run out/],
    ['MORE_THAN_CAN_BE_DONE', /more than can be done in your hours/],
    ['SOMETHING_NEW', /SOMETHING_NEW/],
  ])('give the reason %s', (reason, says) => {
    const left = { treeId: 't', tree: 'Pale Ridge 1', flowers: 3, reason, wouldServe: text('save.hours') };
    expect(leftWords(left)).toMatch(says);
    expect(leftWords(left)).toMatch(/^Pale Ridge 1: 3 flowers left/);
  });
});
