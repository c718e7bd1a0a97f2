import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, show } from '../test/screen';
import { HandNeed } from './HandNeed';
import { Season } from './Season';

const variety = (name: string, more = {}) => ({
  varietyId: name,
  name,
  crop: 'apple',
  history: [],
  recorded: false,
  rhythm: 'Every day.',
  ...more,
});
const season = {
  year: 2026,
  start: '2026-05-01',
  today: '2026-11-24',
  rest: {
    hours: 4000,
    knownShare: 0.93,
    enoughKnown: true,
    chillingHours: 458,
    hoursBelow: 470,
    utahUnits: 1046.5,
    utahSinceLowest: 1102.5,
    chillPortions: 61.24,
    growingDegreeHours: 39249.3,
    weeks: [
      { until: '2026-05-08', chillPortions: 0, growingDegreeHours: 900 },
      { until: '2026-05-15', chillPortions: 2, growingDegreeHours: 1800 },
    ],
  },
  varieties: [
    variety('Ember', {
      first: {
        expected: '2026-12-03',
        earliest: '2026-11-28',
        latest: '2026-12-08',
        method: 'CALENDAR',
        years: 4,
        errorDays: 3,
      },
      course: { from: '2026-12-03', receptive: [0.2, 1, 0.4], shedding: [0, 0.5, 1] },
      visits: { meanC: 12, days: [0, 1], tubeDays: 5 },
    }),
    variety('Harrow', {
      recorded: true,
      history: [{ id: 'h', varietyId: 'Harrow', year: 2026, firstBloom: '2026-09-20', version: 3 }],
    }),
  ],
  pairs: [{ giver: 'Harrow', taker: 'Ember', kind: 'LAST_YEARS', keepDays: 300 }],
};

describe('the season ahead', () => {
  it('tells chill and heat with their sources, what is foreseen, and whose pollen must be kept', async () => {
    serve({ 'GET /api/season': season });
    show(<Season />);
    expect(await screen.findByText(/^Ember is foreseen to begin on Thu 3 Dec/)).toBeVisible();
    expect(screen.getByText('61.2')).toBeVisible();
    expect(screen.getByText('39,249')).toBeVisible();
    expect(screen.getByText(/93 % of the hours measured/)).toBeVisible();
    expect(screen.getByText('began Sun 20 Sept')).toBeVisible();
    expect(screen.getByText(/use last year’s, kept 300 days/)).toBeVisible();
    expect(screen.getByText(/A visit helps until day 1 after opening/)).toBeVisible();
    await userEvent.click(screen.getByTitle('Why?'));
    expect(await screen.findByText(/The mean day of the past years, from 4 years/)).toBeInTheDocument();
  });

  it('changes the days of a season, errors beside their fields', async () => {
    const sent = serve({
      'GET /api/season': season,
      'PUT /api/bloom-dates/h': refusal(400, {
        errors: [
          { field: 'fullBloom', message: 'is 2026-09-01, before the day of first bloom, 2026-09-20.' },
        ],
      }),
    });
    show(<Season />);
    await screen.findByText('began Sun 20 Sept');
    await userEvent.click(screen.getAllByText('Days')[1]!);
    const full = await screen.findByLabelText('Full bloom');
    await userEvent.type(full, '2026-09-01');
    await userEvent.click(screen.getByText('Save'));
    expect(await screen.findByText(/Full bloom is 2026-09-01, before the day of first bloom/)).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ version: 3, firstBloom: '2026-09-20', fullBloom: '2026-09-01' });
    expect(full).toHaveValue('1 Sep 2026');
  });

  it('tells no chill where less than half of the hours is known', async () => {
    serve({
      'GET /api/season': { ...season, rest: { ...season.rest, knownShare: 0.31, enoughKnown: false } },
    });
    show(<Season />);
    expect(await screen.findByText(/Too little of this season’s weather is known/)).toBeVisible();
    expect(screen.getByText(/31 % of the hours measured/)).toBeVisible();
    expect(screen.queryByText('61.2')).not.toBeInTheDocument();
    expect(screen.getByText('Bring a weather file')).toHaveAttribute('href', '/bloom/weather');
  });

  it('begins with words where there is nothing yet', async () => {
    serve({ 'GET /api/season': { ...season, varieties: [], pairs: [] } });
    show(<Season />);
    expect(await screen.findByText('No varieties yet')).toBeVisible();
  });
});

const need = {
  block: 'North',
  crop: 'cherimoya',
  trees: 6,
  insects: 'FEW',
  indoors: false,
  seaKm: 4,
  noteId: 'n1',
  version: 2,
  ownAir: true,
  typicalMinimumC: 12,
  typicalMaximumC: 26,
  deficitKpa: 1.24,
  verdict: 'WORTH_TESTING',
  reasons: [
    { points: 1, sentence: 'Few insects were seen.' },
    { points: -1, sentence: 'The sea is near.' },
    { points: 0, sentence: 'There are varieties here that serve it: 2.' },
  ],
};

describe('is my hand needed', () => {
  it('shows the verdict with what it rests on, and sends what the grower knows of the block', async () => {
    const sent = serve({
      'GET /api/hand-need': [need],
      'GET /api/crops': [],
      'PUT /api/block-notes/n1': null,
    });
    show(<HandNeed />);
    expect(await screen.findByText('Worth testing')).toBeVisible();
    expect(screen.getByText('1 for')).toBeVisible();
    expect(screen.getByText('1 against')).toBeVisible();
    await userEvent.selectOptions(screen.getByLabelText('Insects in the flowers'), 'MANY');
    expect(screen.getByText(/has an air of its own/)).toBeVisible();
    await userEvent.clear(screen.getByLabelText('Ordinary high, °C'));
    await userEvent.type(screen.getByLabelText('Ordinary high, °C'), '30');
    await userEvent.click(screen.getByText('Calculate'));
    await waitFor(() =>
      expect(sent[0]!.body).toEqual({
        block: 'North',
        insects: 'MANY',
        indoors: false,
        seaKm: 4,
        typicalMinimumC: 12,
        typicalMaximumC: 30,
        version: 2,
      }),
    );
  });
});
