import { describe, expect, it } from 'vitest';
import type { Schemas } from '../kit/api';
import { NOW, roundStop, ZONE } from '../test/samples';
import { todayWords } from './today-words';

const round = (from: string, until: string): Schemas['Round'] => ({
  at: from,
  bestHours: { from, until, flowersAtStart: 46.3 },
  collect: [],
  stops: [roundStop('Pale Ridge 1', 'LA-01'), roundStop('Pale Ridge 2', 'LA-01')],
  kept: [],
  left: [],
  waiting: [],
  done: [],
  value: 0,
  proven: true,
  cautions: [],
});

describe('today’s sentence', () => {
  it('tells between which hours, what to collect first, and how many flowers on how many trees', () => {
    const evening = round('2026-11-24T03:40:00Z', '2026-11-24T05:30:00Z');
    evening.collect = [{ varietyId: 'v', variety: 'Lantern', doses: 6, flowers: 2, trees: [] }];
    expect(todayWords(evening, NOW, ZONE)).toEqual({
      when: 'This evening',
      from: '16:40',
      until: '18:30',
      collect: ['Lantern'],
      flowers: 2 * roundStop('Pale Ridge 1', 'LA-01').flowers,
      trees: 2,
    });
  });

  it('speaks of tomorrow, and of the night, when the hours lie there', () => {
    expect(todayWords(round('2026-11-24T19:00:00Z', '2026-11-24T21:00:00Z'), NOW, ZONE)?.when).toBe(
      'Tomorrow morning',
    );
    expect(todayWords(round('2026-11-24T08:30:00Z', '2026-11-24T11:00:00Z'), NOW, ZONE)?.when).toBe(
      'Tonight',
    );
  });

  it('stays silent when there is nothing to do', () => {
    const none = round(NOW.toISOString(), NOW.toISOString());
    delete none.bestHours;
    expect(todayWords(none, NOW, ZONE)).toBeUndefined();
  });
});
