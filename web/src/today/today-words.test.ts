import { describe, expect, it } from 'vitest';
import type { Schemas } from '../kit/api';
import { NOW, roundStop, ZONE } from '../test/samples';
import { todayWords } from './today-words';

const plan = (at: string, until: string): Schemas['Plan'] => ({
  moments: [],
  taking: [],
  giving: [],
  rounds: [
    {
      at,
      until,
      why: '',
      flowers: 12,
      expectedFruits: 3,
      minutes: 24,
      collect: [],
      stops: [roundStop('Pale Ridge 1', 'LA-01'), roundStop('Pale Ridge 2', 'LA-01')],
    },
  ],
  readNext: [],
  left: [],
  kept: [],
  spare: [],
  choices: [],
  away: [],
  obstacles: [],
  value: 0,
  expectedFruits: 0,
  proven: true,
  gap: 0,
});

describe('today’s sentence', () => {
  it('tells between which hours, what to collect first, and how many flowers on how many trees', () => {
    const evening = plan('2026-11-24T03:40:00Z', '2026-11-24T05:30:00Z');
    evening.rounds[0]!.collect = [
      {
        varietyId: 'v',
        variety: 'Lantern',
        crop: 'cherimoya',
        doses: 6,
        dosesPerFlower: 3,
        flowers: 2,
        later: 0,
        trees: [],
      },
    ];
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
    expect(todayWords(plan('2026-11-24T19:00:00Z', '2026-11-24T21:00:00Z'), NOW, ZONE)?.when).toBe(
      'Tomorrow morning',
    );
    expect(todayWords(plan('2026-11-24T08:30:00Z', '2026-11-24T11:00:00Z'), NOW, ZONE)?.when).toBe('Tonight');
  });

  it('stays silent when there is nothing to do', () => {
    const none = plan(NOW.toISOString(), NOW.toISOString());
    expect(todayWords({ ...none, rounds: [] }, NOW, ZONE)).toBeUndefined();
  });
});
