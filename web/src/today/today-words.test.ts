import { describe, expect, it } from 'vitest';
import type { Schemas } from '../kit/api';
import { bloomOf, bloomRow, NOW, stretch, ZONE } from '../test/samples';
import { sheet } from '../test/screen';
import { todayWords } from './today-words';

const round = (from: string, until: string): Schemas['Round'] => ({
  at: from,
  bestHours: { from, until, flowersAtStart: 46.3, endsWithDark: false, pollenOnShelf: false },
  stops: [],
  kept: [],
  left: [],
  waiting: [],
  done: [],
  value: 0,
  proven: true,
  cautions: [],
});

describe('today’s sentence', () => {
  it('tells how many, between which hours, and where to gather', () => {
    const bloom = bloomOf([
      bloomRow({
        treeName: 'Lantern 3',
        nextGiving: stretch('2026-11-24T04:15:00Z', '2026-11-24T18:00:00Z'),
      }),
    ]);
    expect(
      todayWords(bloom, round('2026-11-24T03:40:00Z', '2026-11-24T05:30:00Z'), [sheet], NOW, ZONE),
    ).toEqual({
      when: 'This evening',
      taking: 46,
      from: '16:40',
      until: '18:30',
      gather: { tree: 'Lantern 3', words: 'its anthers loosen about 17:15' },
    });
  });

  it('speaks of tomorrow when the hours are tomorrow’s', () => {
    const words = todayWords(
      bloomOf([]),
      round('2026-11-24T19:00:00Z', '2026-11-24T21:00:00Z'),
      [sheet],
      NOW,
      ZONE,
    );
    expect(words?.when).toBe('Tomorrow morning');
    expect(words?.gather).toBeUndefined();
  });

  it('stays silent when there are no good hours', () => {
    const none = round(NOW.toISOString(), NOW.toISOString());
    delete none.bestHours;
    expect(todayWords(bloomOf([]), none, [sheet], NOW, ZONE)).toBeUndefined();
  });

  it('sends nobody gathering where flowers serve one another', () => {
    const lime = { ...sheet, key: 'citrus', hand: { ...sheet.hand, flowerToFlower: true } };
    const bloom = bloomOf([
      {
        ...bloomRow({
          treeName: 'Pocket Lime 1',
          gives: 40,
          nextGiving: stretch(NOW.toISOString(), '2026-11-24T09:00:00Z'),
        }),
        crop: 'citrus',
      },
      bloomRow({
        treeName: 'Lantern 1',
        gives: 2,
        nextGiving: stretch(NOW.toISOString(), '2026-11-24T09:00:00Z'),
      }),
    ]);
    const words = todayWords(
      bloom,
      round('2026-11-24T03:40:00Z', '2026-11-24T05:30:00Z'),
      [sheet, lime],
      NOW,
      ZONE,
    );
    expect(words?.gather?.tree).toBe('Lantern 1');
  });
});
