import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../kit/api';
import { bloomOf, bloomRow, lot, NOW, roundStop, stretch } from '../test/samples';
import { orchard, serve, sheet, show, SILENCE, type Server } from '../test/screen';
import { Today } from './Today';

const giver = bloomRow({
  treeName: 'Lantern 1',
  gives: 3,
  nextGiving: stretch(NOW.toISOString(), '2026-11-24T09:00:00Z'),
});
const taker = bloomRow({ treeName: 'Pale Ridge 1', takes: 9 });
const round = (part: Partial<Schemas['Round']> = {}): Schemas['Round'] => ({
  at: NOW.toISOString(),
  bestHours: {
    from: '2026-11-24T03:00:00Z',
    until: '2026-11-24T07:45:00Z',
    flowersAtStart: 9.2,
  },
  collect: [],
  stops: [roundStop('Pale Ridge 1', 'LA-01')],
  kept: [],
  left: [],
  waiting: [],
  done: [],
  value: 6,
  proven: true,
  cautions: [],
  ...part,
});
const visit = (at: string, until: string, part: Partial<Schemas['PlannedRound']> = {}) => ({
  at,
  until,
  why: '30 flowers can take pollen then and 3 give it.',
  flowers: 6,
  expectedFruits: 3.2,
  collect: [],
  stops: [roundStop('Pale Ridge 1', 'LA-01'), roundStop('Pale Ridge 2', 'LA-01')],
  ...part,
});
const plan: Schemas['Plan'] = {
  moments: [],
  taking: [],
  giving: [],
  rounds: [
    visit('2026-11-24T03:00:00Z', '2026-11-24T07:45:00Z', {
      collect: [
        {
          varietyId: 'v',
          variety: 'Lantern',
          doses: 6,
          flowers: 2,
          trees: [{ treeId: 't', tree: 'Lantern 1', place: 'row 1, place 1', flowers: 5 }],
        },
      ],
    }),
    visit('2026-11-24T08:00:00Z', '2026-11-24T10:00:00Z'),
    visit('2026-11-26T03:00:00Z', '2026-11-26T07:45:00Z'),
  ],
  left: [],
  kept: [],
  spare: [{ lotId: 'l', lot: 'LA-02', doses: 10, viability: 0.48 }],
  choices: [],
  away: [],
  obstacles: [],
  value: 1,
  expectedFruits: 6,
  proven: true,
  gap: 0,
};
const answers = (more: Server = {}): Server => ({
  'GET /api/bloom': bloomOf([giver, taker]),
  'GET /api/round': round(),
  'GET /api/plan': plan,
  'GET /api/fruit-set': { today: '2026-11-24', due: 2, waiting: 0, rows: [] },
  'GET /api/lots': [lot({ code: 'LA-01' }, '2026-11-25T08:00:00Z')],
  'GET /api/crops': [sheet],
  'GET /api/light': { suns: [] },
  'GET /api/crossings': { crossings: [], wanted: [] },
  ...more,
});
const heading = async () =>
  (await screen.findByRole('heading', { level: 1 })).textContent.replace(/\s+/g, ' ');

describe('today', () => {
  it('says in one sentence when to go, what to collect first and what to pollinate', async () => {
    const collect = [{ varietyId: 'v', variety: 'Lantern', doses: 6, flowers: 2, trees: [] }];
    serve(answers({ 'GET /api/round': round({ collect }) }));
    show(<Today />);
    expect(await heading()).toBe(
      'This evening, 16:00 to 20:45: collect Lantern, then pollinate 6 flowers on 1 tree.',
    );
    expect(screen.getByText('Collect Lantern').closest('a')).toHaveAttribute('href', '/pollen/collect');
    expect(screen.getByText(/The round · 1 tree/).closest('a')).toHaveAttribute('href', '/round');
  });

  it('lists the visits of the coming day with what is collected and which pollen goes where', async () => {
    serve(answers());
    show(<Today />);
    await screen.findByText('21:00');
    const visits = document.querySelectorAll('[data-visit]');
    expect(visits).toHaveLength(2);
    const first = visits[0]!.textContent.replace(/\s+/g, ' ');
    expect(first).toContain('CollectLantern 1 · 2 male flowers of Lantern, all for later visits6 doses');
    expect(first).toContain('LA-01 onPale Ridge 1 6 · Pale Ridge 2 612');
    expect(screen.getByText(/10 doses of LA-02, about 48.% alive/)).toBeVisible();
    expect(screen.getByText(/Then Thu 26 Nov 16:00, 6 flowers/)).toBeVisible();
    expect(await screen.findByText(/2\schecks due/)).toBeVisible();
  });

  it('names flowers that get no pollen, and what would serve them', async () => {
    const left = {
      treeId: 't',
      tree: 'Ettin 1',
      flowers: 51,
      reason: 'DOSES_RUN_OUT',
      wouldServe: '51 more doses.',
    };
    serve(answers({ 'GET /api/round': round({ left: [left] }) }));
    show(<Today />);
    expect((await screen.findByText(/Ettin 1: 51 flowers/)).textContent).toContain('51 more doses.');
  });

  it('asks about a time zone that the longitude contradicts before anything else is believed', async () => {
    serve(answers());
    show(<Today />, {
      of: {
        ...orchard,
        zoneDoubt: 'At longitude -35.30° the clocks of Pacific/Auckland are 10 hours behind.',
      },
    });
    expect(await screen.findByText(/10 hours behind/)).toBeVisible();
    expect(screen.getByText('Look at the orchard’s place')).toHaveAttribute('href', '/orchard');
  });

  it('answers each number of the sentence with its inputs', async () => {
    serve(answers());
    show(<Today />);
    await userEvent.click(await screen.findByText('pollinate 6 flowers'));
    expect(await screen.findByText(/The best use of the pollen there is/)).toBeInTheDocument();
    await userEvent.click(screen.getByText(/16:00 to 20:45/));
    expect(await screen.findByText(/9\.2 expected, added over 2 trees/)).toBeInTheDocument();
  });

  it('says plainly when there is no pollen, and when there is no flower', async () => {
    serve(answers({ 'GET /api/round': round({ bestHours: undefined, stops: [] }) }));
    const { unmount } = show(<Today />);
    expect(await heading()).toMatch(/About 9 flowers can take pollen, but none gets any in the coming days/);
    expect(screen.queryByText(/^The round/)).toBeNull();
    unmount();
    serve(
      answers({
        'GET /api/bloom': bloomOf([bloomRow({ treeName: 'Lantern 1' })]),
        'GET /api/round': round({ bestHours: undefined, stops: [] }),
      }),
    );
    show(<Today />);
    expect(await heading()).toMatch(/No flower is expected to take pollen in the coming days/);
  });

  it('tells crosses with a step due, and leads to each', async () => {
    const crossing = (label: string, from: string, begun = true) => ({
      id: label,
      label,
      begun,
      due: [{ step: 'BAG_OFF', from, say: '' }],
    });
    const crossings = [
      crossing('26-1', '2026-11-23T00:00:00Z'),
      crossing('26-2', '2026-12-23T00:00:00Z'),
      crossing('26-3', '2026-11-23T00:00:00Z', false),
      crossing('26-4', '2026-11-24T00:00:00Z'),
    ];
    serve(answers({ 'GET /api/crossings': { crossings, wanted: [] } }));
    show(<Today />);
    expect(await screen.findByText(/2 crosses have a step due/)).toHaveTextContent(
      '26-1 take the bag off, 26-4 take the bag off.',
    );
    expect(screen.getByText('26-4')).toHaveAttribute('href', '/round/crosses#26-4');
  });

  it('shows a new orchard the way in', async () => {
    serve(answers({ 'GET /api/bloom': bloomOf([]) }));
    show(<Today />);
    expect((await screen.findByText('Add varieties and trees')).closest('a')).toHaveAttribute(
      'href',
      '/orchard',
    );
  });

  it('says when it cannot be reached and tries again when asked', async () => {
    let there = false;
    serve(answers({ 'GET /api/bloom': () => (there ? bloomOf([giver, taker]) : SILENCE) }));
    show(<Today />);
    expect(await screen.findByText(/cannot be reached just now/)).toBeVisible();
    there = true;
    await userEvent.click(screen.getByText('Try again'));
    await waitFor(() => expect(screen.queryByText(/cannot be reached/)).toBeNull());
    expect(await heading()).toContain('6 flowers');
  });
});
