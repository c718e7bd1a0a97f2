import { expect, it } from 'vitest';
import { roundStop } from '../test/samples';
import { crossWords, wantedWords } from './cross-words';

it('names a cross by its number once it has one', () => {
  const stop = {
    ...roundStop('Harrow 1', ''),
    kind: 'BAG' as const,
    varietyName: 'Harrow',
    cross: { fatherId: 'e', father: 'Ember' },
  };
  expect(crossWords(stop)).toBe('for Harrow × Ember');
  expect(crossWords({ ...stop, cross: { ...stop.cross, label: '26-3' } })).toBe('cross 26-3, Harrow × Ember');
});

it('says how far a crossRequest has come', () => {
  const crossRequest = {
    crossRequestId: 'w',
    motherId: 'h',
    mother: 'Harrow',
    fatherId: 'e',
    father: 'Ember',
    flowers: 24,
    priority: 1,
    made: 5,
    ready: 3,
    more: 16,
    preparable: true,
  };
  expect(wantedWords({ ...crossRequest, seeds: 10 })).toBe(
    'for 10 seeds 5 of 24 flowers pollinated, 3 made ready or meant, 16 more wanted.',
  );
  expect(wantedWords({ ...crossRequest, ready: 0, more: 0 })).toBe('5 of 24 flowers pollinated.');
});
