import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { fruitRow } from '../test/samples';
import { counted, doneWords, lastWords, leftWords, looksWaiting, markWords, NO_COUNTS } from './fruit-words';

const pollination = (part: Partial<Schemas['PollinationView']>) =>
  fruitRow({ pollination: part }).pollination;
const looked = (part: Partial<Schemas['CheckView']>) =>
  ({
    checks: [{ taken: 3, failed: 1, dropped: 0, unknown: 0, thinned: 0, ...part }],
  }) as Schemas['FruitSetRow'];

describe('words about fruit', () => {
  it('says how counts stand to the flowers', () => {
    expect(leftWords(6, NO_COUNTS)).toBe('6 flowers to look for');
    expect(leftWords(6, { ...NO_COUNTS, taken: 4, lost: 1 })).toBe(
      '1 flower of 6 not found; they count neither way',
    );
    expect(leftWords(6, { ...NO_COUNTS, taken: 6 })).toBe('all 6 flowers accounted for');
    expect(leftWords(1, { ...NO_COUNTS, failed: 1 })).toBe('that is the one');
    expect(leftWords(6, { ...NO_COUNTS, taken: 5, thinned: 2 })).toBe(
      '1 more than the 6 flowers that were done',
    );
    expect(counted({ taken: 1, failed: 2, dropped: 6, unknown: 3, thinned: 4, lost: 5 })).toBe(21);
  });

  it('tells the look before, with what is not always there only where it is', () => {
    expect(lastWords({ checks: [] } as unknown as Schemas['FruitSetRow'])).toBeUndefined();
    expect(lastWords(looked({}))).toBe('last check: 3 set, 1 failed');
    expect(lastWords(looked({ unknown: 2, thinned: 1 }))).toBe(
      'last check: 3 set, 1 failed, 2 not yet known, 1 thinned',
    );
  });

  it('names pollen, or that there was none, and where to find the flowers', () => {
    expect(doneWords(pollination({}))).toBe('with PR-01 Pale Ridge');
    expect(doneWords(pollination({ how: { treatment: 'NATURE' }, lotCode: 'left to nature' }))).toBe(
      'left to nature',
    );
    expect(markWords(pollination({ colour: 'red', tag: '17', crossLabel: '26-2' }))).toBe(
      'cross 26-2, petal nick, red, 17',
    );
    expect(markWords(pollination({ mark: '' }))).toBe('');
  });

  it('knows whose check waits on this device', () => {
    const write = (path: string, body: Record<string, unknown>) => ({ path, body }) as never;
    const waiting = looksWaiting([
      write('/api/checks/1', { pollinationId: 'p1' }),
      write('/api/pollinations/2', { treeId: 't' }),
    ]);
    expect([...waiting]).toEqual(['p1']);
  });
});
