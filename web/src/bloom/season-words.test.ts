import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { outlookWords, seasonSentence, servesWords, visitWords } from './season-words';

const outlook = (expected: string, earliest: string, latest: string): Schemas['BloomOutlook'] => ({
  expected,
  earliest,
  latest,
  method: 'CHILL_THEN_HEAT',
  years: 5,
  errorDays: 2.44,
});
const variety = (part: Partial<Schemas['SeasonVariety']>): Schemas['SeasonVariety'] => ({
  varietyId: part.name ?? 'v',
  name: 'Ember',
  crop: 'apple',
  history: [],
  recorded: false,
  rhythm: '',
  ...part,
});
const season = (
  varieties: Schemas['SeasonVariety'][],
  pairs: Schemas['BloomOverlap'][] = [],
): Schemas['Season'] => ({
  year: 2026,
  start: '2026-05-01',
  today: '2026-11-24',
  rest: {} as Schemas['WinterRest'],
  varieties,
  pairs,
});
const pair = (part: Partial<Schemas['BloomOverlap']>): Schemas['BloomOverlap'] => ({
  giver: 'a',
  taker: 'b',
  kind: 'FRESH',
  keepDays: 0,
  ...part,
});

describe('the season in words', () => {
  it('names what begins next, not what is over or has begun', () => {
    const words = seasonSentence(
      season(
        [
          variety({ name: 'Past', first: outlook('2026-09-01', '2026-08-25', '2026-09-08') }),
          variety({
            name: 'Begun',
            recorded: true,
            first: outlook('2026-11-26', '2026-11-20', '2026-12-01'),
          }),
          variety({ name: 'Low Ebb', first: outlook('2026-12-03', '2026-11-28', '2026-12-08') }),
        ],
        [pair({ kind: 'KEEP', keepDays: 5 }), pair({})],
      ),
    );
    expect(words).toBe(
      'Low Ebb is foreseen to begin on Thu 3 Dec, between Sat 28 Nov and Tue 8 Dec. 1 pair of varieties miss each other: their pollen must be kept.',
    );
    expect(seasonSentence(season([]))).toMatch(/^Write down when each variety flowers/);
  });

  it('says how the pollen gets there', () => {
    expect(servesWords(pair({ freshFrom: '2026-10-01', freshUntil: '2026-10-09' }))).toBe(
      'fresh Thu 1 Oct to Fri 9 Oct',
    );
    expect(servesWords(pair({ kind: 'KEEP', keepDays: 5 }))).toContain('keep its pollen 5 days');
    expect(servesWords(pair({ kind: 'LAST_YEARS', keepDays: 329 }))).toContain(
      'use last year’s, kept 329 days',
    );
  });

  it('says how a day was foreseen and until when a visit helps', () => {
    expect(outlookWords(outlook('2026-12-03', '2026-11-28', '2026-12-08'))).toContain('off by 2.4 days');
    expect(visitWords({ meanC: 12, days: [0, 1, 2], tubeDays: 5 })).toBe(
      'A visit helps until day 2 after opening; its tube needs 5 days.',
    );
    expect(visitWords({ meanC: 4, days: [] })).toMatch(/^Too cold/);
  });
});
