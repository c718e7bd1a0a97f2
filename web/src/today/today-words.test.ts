import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { NOW, roundStop, ZONE } from '../test/samples';
import { todayWords } from './today-words';

const plan = (at: string, until: string): Schemas['Plan'] => ({
  moments: [],
  receptive: [],
  shedding: [],
  rounds: [
    {
      at,
      day: '2026-11-24',
      until,
      why: [],
      flowers: 12,
      expectedFruits: 3,
      minutes: 24,
      crops: ['Cherimoya'],
      collect: [],
      stops: [roundStop('Pale Ridge 1', 'LA-01'), roundStop('Pale Ridge 2', 'LA-01')],
    },
  ],
  readNext: [],
  due: [],
  left: [],
  kept: [],
  spare: [],
  choices: [],
  overrides: [],
  paces: [],
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
      day: '',
      from: '16:40',
      collect: 'Lantern',
      flowers: 2 * roundStop('Pale Ridge 1', 'LA-01').flowers,
      trees: 2,
    });
  });

  it('names the day when it is not today, and counts varieties beyond two', () => {
    expect(todayWords(plan('2026-11-24T19:00:00Z', '2026-11-24T21:00:00Z'), NOW, ZONE)?.day).toBe('Tomorrow');
    const later = plan('2026-11-26T03:00:00Z', '2026-11-26T05:00:00Z');
    const one = {
      varietyId: 'v',
      crop: 'cherimoya',
      doses: 6,
      dosesPerFlower: 3,
      flowers: 2,
      later: 0,
      trees: [],
    };
    later.rounds[0]!.collect = ['Lantern', 'Pale Ridge', 'Mill Lane'].map((variety) => ({ ...one, variety }));
    expect(todayWords(later, NOW, ZONE)).toMatchObject({ day: 'Thu 26 Nov', collect: '3 varieties' });
  });

  it('stays silent when there is nothing to do', () => {
    const none = plan(NOW.toISOString(), NOW.toISOString());
    expect(todayWords({ ...none, rounds: [] }, NOW, ZONE)).toBeUndefined();
  });
});
