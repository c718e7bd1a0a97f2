import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show, tree } from '../test/screen';
import { Failure } from './Failure';
import { Learned } from './Learned';
import { SeasonReport } from './SeasonReport';
import { Trials } from './Trials';

const season = { season: 2026, crop: 'cherimoya', cropName: 'Cherimoya', flowers: 80, decided: 80 };
const rate = (taken: number, decided: number): Schemas['SetRate'] => ({
  taken,
  decided,
  share: taken / decided,
  lower: 0.1,
  upper: 0.9,
  confidence: 0.95,
});

describe('why it failed', () => {
  const worst: Schemas['WorstList'] = {
    shown: season,
    seasons: [season],
    lines: [
      { kind: 'JAR', key: 'l1', what: 'LA-01 Lantern', rate: rate(1, 20) },
      { kind: 'TREE', key: 't1', what: 'Pale Ridge 1', rate: rate(8, 20) },
    ],
  };
  const failure = (kind: 'JAR' | 'TREE', what: string): Schemas['Failure'] => ({
    kind,
    key: 'l1',
    what,
    rate: rate(1, 20),
    undecided: 0,
    others: rate(60, 100),
    causes: [{ kind: 'POLLEN_TOO_OLD', name: 'Pollen too old', points: 4, evidence: ['It had 12 % left.'] }],
    ruledOut: ['Stage: nearly all flowers were at their best.'],
    test: 'Germinate a pinch of the jar.',
  });

  it('begins with the worst, ranks causes with their evidence and names the next test', async () => {
    const asked: string[] = [];
    serve({
      'GET /api/findings/worst': worst,
      'GET /api/findings/failure': (s: { query: string }) => {
        asked.push(s.query);
        return s.query.includes('JAR') ? failure('JAR', 'LA-01 Lantern') : failure('TREE', 'Pale Ridge 1');
      },
    });
    show(<Failure />);
    expect(
      await screen.findByText(/LA-01 Lantern: 1 of 20 set, 5\s%, against 60\s% of all others/),
    ).toBeVisible();
    expect(screen.getByText('It had 12 % left.')).toBeVisible();
    expect(screen.getByTitle('evidence: strong')).toBeVisible();
    expect(screen.getByText('Germinate a pinch of the jar.')).toBeVisible();
    await userEvent.selectOptions(screen.getByLabelText('What failed?'), 'TREE t1');
    expect(await screen.findByText(/Pale Ridge 1: 1 of 20/)).toBeVisible();
    expect(asked.at(-1)).toContain('kind=TREE&key=t1');
  });

  it('asks about what its address names, be it among the worst or not, and about another after that', async () => {
    const asked: string[] = [];
    serve({
      'GET /api/findings/worst': worst,
      'GET /api/findings/failure': (s: { query: string }) => {
        asked.push(s.query);
        return failure('JAR', 'PR-02 Pale Ridge');
      },
    });
    show(<Failure />, { at: '/findings/why?crop=cherimoya&kind=JAR&key=l9' });
    expect(await screen.findByText(/PR-02 Pale Ridge: 1 of 20/)).toBeVisible();
    expect(asked).toHaveLength(1);
    expect(asked[0]).toContain('kind=JAR&key=l9');
    expect(screen.getByLabelText('What failed?')).toHaveDisplayValue('the jar you came from');
    await userEvent.selectOptions(screen.getByLabelText('What failed?'), 'TREE t1');
    await waitFor(() => expect(asked.at(-1)).toContain('kind=TREE&key=t1'));
    expect(screen.queryByText('the jar you came from')).toBeNull();
  });

  it('says where there is nothing to ask about', async () => {
    serve({ 'GET /api/findings/worst': { seasons: [], lines: [] } });
    show(<Failure />);
    expect(await screen.findByText('No checks yet')).toBeVisible();
  });
});

describe('trials', () => {
  const comparison = (part: Partial<Schemas['Comparison']>): Schemas['Comparison'] => ({
    id: 'k1',
    label: 'K1',
    question: 'NATURE',
    asks: 'Does the hand add to what nature does?',
    arms: [
      { name: 'left to nature', treatment: 'NATURE' },
      { name: 'by hand', treatment: 'HAND' },
    ],
    seed: '-12',
    note: '',
    done: 1,
    decided: 1,
    complete: false,
    places: [
      {
        slot: 0,
        tag: 'K1-1',
        treeId: 't1',
        tree: 'Lantern 1',
        arm: 0,
        pollinationId: 'p1',
        outcome: 'FAILED',
      },
      { slot: 1, tag: 'K1-2', treeId: 't1', tree: 'Lantern 1', arm: 1 },
    ],
    version: 0,
    ...part,
  });
  const server = (all: Schemas['Comparison'][]) => ({
    'GET /api/comparisons': all,
    'GET /api/trees': [tree('t1', 'Lantern 1')],
    'GET /api/lots': [{ id: 'l1', code: 'PR-01', varietyName: 'Pale Ridge', dosesLeft: 5 }],
    'GET /api/trial-size': { flowersEach: 97, power: 0.81, falseAlarm: 0.05, say: '97 flowers of each way.' },
  });

  it('does not tell a result before all are decided, and treats a place as its tag says', async () => {
    const sent = serve({
      ...server([comparison({})]),
      'PUT /api/pollinations/*': { id: 'p2', version: 0, treeName: 'Lantern 1' },
    });
    show(<Trials />);
    expect(await screen.findByText('1 of 2 decided')).toBeVisible();
    expect(screen.getByText(/only then: a result read earlier/)).toBeVisible();
    await userEvent.click(screen.getByText('Flower by flower: 1 flower still to treat'));
    await userEvent.click(screen.getByLabelText('K1-2: done'));
    expect(await screen.findByText('K1-2: by hand.')).toBeVisible();
    expect(sent[0]!.body).toMatchObject({
      lotId: 'l1',
      flowers: 1,
      tag: 'K1-2',
      how: { treatment: 'HAND' },
      comparisonId: 'k1',
      slot: 1,
    });
  });

  it('tells the result of a complete one, and carries it into the sheet', async () => {
    const sent = serve({
      ...server([
        comparison({
          complete: true,
          decided: 2,
          done: 2,
          result: {
            arms: [
              { level: '0', name: 'left to nature', rate: rate(2, 20), undecided: 0, few: false },
              { level: '1', name: 'by hand', rate: rate(12, 20), undecided: 0, few: false },
            ],
            differences: [{ value: 0.5, lower: 0.2, upper: 0.7 }],
            sentence: 'by hand is better, by 20 to 70 points.',
            lesson: {
              crop: 'cherimoya',
              cropName: 'Cherimoya',
              changes: [{ path: 'load.setShare', what: 'share that sets', now: 0.5, trial: 0.59 }],
              note: 'trial K1: by hand 12 of 20',
              applied: false,
            },
          },
        }),
      ]),
      'PUT /api/comparisons/*': {},
    });
    show(<Trials />);
    await userEvent.click(await screen.findByText('Put it into the sheet'));
    await waitFor(() => expect(sent[0]!.path).toMatch(/\/api\/comparisons\/k1\/sheet\//));
    expect(screen.getByText(/share that sets 0.59 \(now 0.5\)/)).toBeVisible();
    expect(await screen.findByText('by hand is better, by 20 to 70 points.')).toBeVisible();
    expect(screen.getByText('complete')).toBeVisible();
  });

  it('reckons the size, draws with it, and shows a refusal beside its field', async () => {
    const sent = serve({
      ...server([]),
      'PUT /api/comparisons/*': refusal(400, {
        errors: [{ field: 'flowersEach', message: 'is 97; too many.' }],
      }),
    });
    show(<Trials />);
    await userEvent.click(await screen.findByText('Use 97 of each'));
    await userEvent.selectOptions(screen.getByLabelText('Question'), 'FULL_COVER');
    await userEvent.click(screen.getByLabelText('Trees', { selector: 'input' }));
    await userEvent.click(await screen.findByText('Lantern 1'));
    await userEvent.click(screen.getByText('Draw the random order'));
    expect(await screen.findByText('Flowers is 97; too many.')).toBeVisible();
    expect(sent[0]!.body).toMatchObject({
      question: 'FULL_COVER',
      flowersEach: 97,
      trees: ['t1'],
      expected: { one: 0.4, other: 0.6, power: 0.81 },
    });

    await userEvent.selectOptions(screen.getByLabelText('Question'), 'TOOL');
    expect(screen.getByText('Draw the random order').closest('button')).toBeDisabled();
    await userEvent.type(screen.getByLabelText('One treatment'), 'goat brush');
    await userEvent.type(screen.getByLabelText('The other treatment'), 'feather');
    await userEvent.click(screen.getByText('Draw the random order'));
    await waitFor(() => expect(sent[1]?.body).toMatchObject({ names: ['goat brush', 'feather'] }));
  });
});

describe('the season', () => {
  const report: Schemas['SeasonReport'] = {
    seasons: [season, { ...season, season: 2025 }],
    shown: season,
    orchard: 'Heron Bank',
    done: ['80 flowers by hand.'],
    took: ['40 of 80 took.'],
    varieties: [],
    fathers: [{ level: 'v', name: 'Lantern', rate: rate(20, 30), undecided: 0, few: false }],
    otherwise: [{ change: 'Keep pollen dry.', because: 'Dry: 60 %.' }],
    years: [
      { season: 2026, flowers: 80, rate: rate(40, 80), few: false, fruits: 3, kilograms: 1.25 },
      { season: 2025, flowers: 0, few: true, fruits: 0, kilograms: 0 },
    ],
    between: 'Against 2025: better.',
  };

  it('is told with what to change, the best fathers and year against year, and as a PDF', async () => {
    serve({ 'GET /api/findings/season': report });
    show(<SeasonReport />);
    expect(await screen.findByText('Heron Bank: cherimoya, season 2026')).toBeVisible();
    expect(screen.getByText('Keep pollen dry.')).toBeVisible();
    expect(screen.getByText('Best fathers')).toBeVisible();
    expect(screen.getByText('1.3 kg')).toBeVisible();
    expect(screen.getByText('As PDF').closest('a')).toHaveAttribute(
      'href',
      '/api/findings/season.pdf?season=2026&crop=cherimoya',
    );
  });

  it('shows what was learned beside what was shipped, and whether it is used', async () => {
    serve({
      'GET /api/learned': {
        used: false,
        varieties: [
          {
            variety: 'Lantern',
            crop: 'cherimoya',
            shipped: 0.5,
            basis: 'MEMORY',
            learned: 0.62,
            low: 0.5,
            high: 0.7,
            flowers: 90,
          },
        ],
        crosses: [
          { mother: 'Lantern', father: 'Pale Ridge', taken: 3, flowers: 40, shipped: 1, learned: 0.4 },
        ],
        strokes: [{ crop: 'Cherimoya', strokes: 'FULL', taken: 30, flowers: 40, factor: 1.11 }],
      },
    });
    show(<Learned />);
    expect(await screen.findByText(/Switched off: the flower budget/)).toBeVisible();
    expect(screen.getByText('Switch it on under Hours and habits')).toHaveAttribute('href', '/round/hours');
    const rows = screen.getAllByRole('row').map((r) => r.textContent?.replace(/\s/g, ' '));
    expect(rows[1]).toContain('50 % from memory62 %50 % to 70 %90');
    expect(rows[2]).toContain('fits 100 %fits 40 %');
    expect(rows[3]).toContain('× 1.11');
  });
});
