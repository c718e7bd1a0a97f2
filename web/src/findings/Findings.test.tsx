import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { serve, show } from '../test/screen';
import { Findings } from './Findings';

const rate = (taken: number, decided: number): Schemas['SetRate'] => ({
  taken,
  decided,
  share: taken / decided,
  lower: 0.42,
  upper: 0.85,
  confidence: 0.95,
});
const factor = (title: string, part: Partial<Schemas['FactorFinding']>): Schemas['FactorFinding'] => ({
  factor: 'LOT_AGE',
  title,
  levels: [
    { level: '0', name: 'within the hour', rate: rate(40, 60), undecided: 0, few: false },
    { level: '3', name: '2 to 4 days', rate: rate(3, 12), undecided: 2, few: true },
  ],
  notShown: 0,
  sentence: '2 to 4 days: 25 % against 67 %.',
  change: '',
  sure: false,
  sureAmongAll: false,
  ...part,
});
const found = (part: Partial<Schemas['Findings']>): Schemas['Findings'] => ({
  seasons: [
    { season: 2026, crop: 'cherimoya', cropName: 'Cherimoya', flowers: 80, decided: 80 },
    { season: 2025, crop: 'cherimoya', cropName: 'Cherimoya', flowers: 300, decided: 300 },
  ],
  shown: { season: 2026, crop: 'cherimoya', cropName: 'Cherimoya', flowers: 80, decided: 80 },
  waiting: 0,
  all: rate(10, 15),
  undecided: 12,
  apart: [],
  factors: [],
  seeds: [],
  byCover: [],
  misshapen: '',
  yield: [],
  comparisons: 20,
  ...part,
});
const retention: Schemas['Retention'] = {
  factor: 'LOT_AGE',
  title: 'Age of the pollen',
  sentence: 'They do not lose alike.',
  curves: [
    {
      level: '0',
      name: 'within the hour',
      followed: 60,
      lost: 20,
      lastDay: 12,
      steps: [{ day: 7, atRisk: 60, share: 0.75, lower: 0.62, upper: 0.84 }],
    },
    { level: '3', name: '2 to 4 days', followed: 4, lost: 0, lastDay: 9, steps: [] },
  ],
};
const causes: Schemas['Causes'] = { flowers: 0, effects: [], leftOut: [], sentence: 'Too few flowers.' };
const answers = (findings: Schemas['Findings']) => ({
  'GET /api/findings': findings,
  'GET /api/findings/retention': retention,
  'GET /api/findings/causes': causes,
});

describe('findings', () => {
  it('tells the share in all with its interval, and why, and warns of many comparisons', async () => {
    serve(answers(found({})));
    show(<Findings />);
    const heading = await screen.findByRole('heading', { level: 1 });
    expect(heading.textContent).toMatch(
      /10 of 15 flowers set, 67\s%, likely 42\s% to 85\s%; few flowers so far\./,
    );
    expect(
      screen.getByText(/20 classes are compared with the most common one.*about 2 of them/),
    ).toBeVisible();
    expect(screen.getByText('Set up a trial')).toBeVisible();
    await userEvent.click(screen.getByText('10 of 15 flowers set'));
    expect(await screen.findByText(/Wilson’s score interval/)).toBeInTheDocument();
  });

  it('does not excuse itself with small numbers where there are many', async () => {
    serve(answers(found({ all: rate(100, 150) })));
    show(<Findings />);
    expect((await screen.findByRole('heading', { level: 1 })).textContent).not.toContain('few flowers');
  });

  it('puts what is sure first, calls few few, and has a table behind every picture', async () => {
    serve(
      answers(
        found({
          factors: [
            factor('Hour of the day', { factor: 'HOUR' }),
            factor('Age of the pollen', { sure: true, sureAmongAll: true, change: 'Germinate a pinch.' }),
          ],
        }),
      ),
    );
    show(<Findings />);
    await screen.findByText('They do not lose alike.');
    const titles = screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent);
    expect(titles.slice(0, 2)).toEqual(['Age of the pollen', 'May be chance so far']);
    expect(screen.getByText('Hour of the day', { selector: 'b' })).toBeVisible();
    expect(screen.getByText('Germinate a pinch.')).toBeVisible();
    const table = screen.getAllByRole('table', { hidden: true })[0]!;
    const cells = within(table)
      .getAllByRole('row', { hidden: true })
      .map((r) => r.textContent);
    expect(cells[2]).toMatch(/2 to 4 days \(few\)3 of 1225\s%42\s% to 85\s%2/);
    expect(screen.getByText('none lost')).toBeInTheDocument();
  });

  it('shows apart what teaches nothing, what dropped, and fruit by how the stigma was covered', async () => {
    serve(
      answers(
        found({
          apart: [
            { evidence: 'TRIAL', what: 'of trials', flowers: 16, rate: rate(8, 16) },
            { evidence: 'POLLEN_DEAD', what: 'with pollen that was dead or mouldy', flowers: 5 },
          ],
          drop: {
            rate: rate(4, 6),
            expected: 0.4,
            basis: 'MEMORY',
            moreThanNature: true,
            sentence: '67 % (4 of 6) of the fruitlets that set have dropped.',
          },
          byCover: [
            { of: 'many strokes, all round', flowers: 20, fruitsPerFlower: 3, misshapen: rate(6, 60) },
            { of: 'once in and out', flowers: 20, resting: rate(3, 20) },
          ],
          misshapen: '95 % sure.',
        }),
      ),
    );
    show(<Findings />);
    expect(
      await screen.findByText(
        /not learned from: 16 flowers of trials \(8 of 16 set\); 5 flowers with pollen that was dead/,
      ),
    ).toBeVisible();
    expect(screen.getByText(/of the fruitlets that set have dropped/)).toHaveClass('bad');
    const cells = (name: string) =>
      within(screen.getByText(name).closest('tr')!)
        .getAllByRole('cell')
        .map((c) => c.textContent.replace(/\s/g, ' '));
    expect(cells('many strokes, all round').slice(1)).toEqual(['20', '3.0', '6 of 60, 10 %', 'not known']);
    expect(cells('once in and out').slice(1)).toEqual(['20', 'not counted', 'not known', '3 of 20, 15 %']);
  });

  it('asks for another season', async () => {
    const asked: string[] = [];
    serve({
      ...answers(found({})),
      'GET /api/findings': (sent: { query: string }) => {
        asked.push(sent.query);
        return found({});
      },
    });
    show(<Findings />);
    await userEvent.selectOptions(await screen.findByLabelText('Season and crop'), '2025 cherimoya');
    await vi.waitFor(() => expect(asked).toEqual(['', '?season=2025&crop=cherimoya']));
  });

  it('says where there is nothing yet', async () => {
    const none = found({ seasons: [], undecided: 0, comparisons: 0 });
    delete none.shown;
    delete none.all;
    serve(answers(none));
    show(<Findings />);
    expect(await screen.findByText('Nothing found yet')).toBeVisible();
  });
});
