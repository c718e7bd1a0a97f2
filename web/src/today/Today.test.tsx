import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { bloomOf, bloomRow, lot, NOW, roundStop, stretch, text } from '../test/samples';
import { orchard, serve, sheet, show, SILENCE, type Server } from '../test/screen';
import { Today } from './Today';

const giver = bloomRow({
  treeName: 'Lantern 1',
  gives: 3,
  nextShedding: stretch(NOW.toISOString(), '2026-11-24T09:00:00Z'),
});
const taker = bloomRow({ treeName: 'Pale Ridge 1', takes: 9 });
const visit = (at: string, until: string, part: Partial<Schemas['PlannedRound']> = {}) => ({
  at,
  until,
  day: '2026-11-24',
  why: [text('visit.flowers', { sheet: 'Cherimoya', receptive: 30, shedding: 3 })],
  flowers: 6,
  expectedFruits: 3.2,
  minutes: 24,
  crops: ['Cherimoya'],
  collect: [],
  stops: [roundStop('Pale Ridge 1', 'LA-01'), roundStop('Pale Ridge 2', 'LA-01')],
  ...part,
});
const plan: Schemas['Plan'] = {
  moments: [],
  receptive: [],
  shedding: [],
  rounds: [
    visit('2026-11-24T03:00:00Z', '2026-11-24T07:45:00Z', {
      collect: [
        {
          varietyId: 'v',
          variety: 'Lantern',
          crop: 'cherimoya',
          doses: 6,
          dosesPerFlower: 3,
          flowers: 2,
          later: 6,
          trees: [
            {
              treeId: 't',
              tree: 'Lantern 1',
              place: text('tree.place', { inBlock: 'no', block: '', row: 1, position: 1 }),
              flowers: 5,
            },
          ],
        },
      ],
    }),
    visit('2026-11-24T08:00:00Z', '2026-11-24T10:00:00Z'),
    visit('2026-11-26T03:00:00Z', '2026-11-26T07:45:00Z'),
  ],
  account: {
    at: '2026-11-24T03:00:00Z',
    receptive: 71.4,
    havePollen: 3.2,
    flowers: 68,
    inVisit: 12,
    later: 4,
    forCross: 0,
    notWanted: 1,
    lost: 51,
    trees: [
      {
        treeId: 'e',
        tree: 'Ettin 1',
        receptive: 51,
        havePollen: 0,
        flowers: 51,
        inVisit: 0,
        later: [],
        forCross: 0,
        notWanted: 0,
        lost: 51,
        reason: 'DOSES_RUN_OUT',
        wouldServe: text('save.doses', { n: 51, fathers: 'Lantern' }),
      },
      {
        treeId: 'p',
        tree: 'Pale Ridge 1',
        receptive: 20.4,
        havePollen: 3.2,
        flowers: 17,
        inVisit: 12,
        later: [{ at: '2026-11-24T08:00:00Z', pollen: text('pollen.jar', { code: 'LA-01' }), flowers: 4 }],
        forCross: 0,
        notWanted: 1,
        lost: 0,
      },
    ],
  },
  readNext: [
    {
      treeId: 'l2',
      tree: 'Lantern 2',
      readAt: '2026-11-22T04:00:00Z',
      visit: '2026-11-24T03:00:00Z',
      sheds: true,
      low: 5,
      high: 19,
      decides: 12,
      fruits: 1.3,
    },
  ],
  due: [
    { kind: 'CHECK', subject: 'Lantern 1, Lantern 2', count: 2 },
    { kind: 'LID', at: '2026-11-24T09:10:00Z', subject: 'LA-01', count: 9, id: 'l' },
  ],
  left: [],
  kept: [],
  spare: [{ lotId: 'l', lot: 'LA-02', doses: 10, viability: 0.48 }],
  choices: [],
  overrides: [],
  paces: [],
  away: [],
  obstacles: [],
  value: 1,
  expectedFruits: 6,
  proven: true,
  gap: 0,
};
const answers = (more: Server = {}): Server => ({
  'GET /api/bloom': bloomOf([giver, taker]),
  'GET /api/plan': plan,
  'GET /api/fruit-set': { today: '2026-11-24', due: 2, waiting: 0, rows: [] },
  'GET /api/lots': [lot({ code: 'LA-01' }, '2026-11-25T08:00:00Z')],
  'GET /api/crops': [sheet],
  'GET /api/light': { suns: [] },
  'GET /api/crosses': { controlledCrosses: [], wanted: [] },
  ...more,
});
const heading = async () =>
  (await screen.findByRole('heading', { level: 1 })).textContent.replace(/\s+/g, ' ');

describe('today', () => {
  it('says in one sentence when to go, what to collect first and what to pollinate', async () => {
    serve(answers());
    show(<Today />);
    expect(await heading()).toBe('Collect Lantern at 16:00, then pollinate 12 flowers on 2 trees.');
    expect(
      screen.getByText('2 visits, 48 minutes in all, about 6.4 fruits.', { exact: false }),
    ).toBeVisible();
    expect(screen.getByText('See the visit').closest('a')).toHaveAttribute('href', '/round');
  });

  it('begins the walk of the next visit with one press', async () => {
    const sent = serve(answers({ 'PUT /api/walks/*': { id: 'w' } }));
    show(<Today />);
    await userEvent.click(await screen.findByText('Start walking'));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'PUT', body: {} }));
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
  });

  it('says first of all that a permit is missing, and other obstacles below', async () => {
    serve(
      answers({
        'GET /api/plan': {
          ...plan,
          obstacles: [
            text('obstacle.permit-missing', { sheet: 'Rare tree' }),
            text('obstacle.no-flower', {}),
          ],
        },
      }),
    );
    show(<Today />);
    const permit = await screen.findByText(/Rare tree is protected, and no permit/);
    const other = screen.getByText('No flower can be pollinated in these days.');
    expect(permit.compareDocumentPosition(other) & Node.DOCUMENT_POSITION_FOLLOWING).toBeTruthy();
    expect(permit.querySelector('a')).toHaveAttribute('href', '/orchard/permits');
  });

  it('puts what else is due in its place between the visits, and what has no hour last', async () => {
    serve(answers());
    show(<Today />);
    await screen.findByText('21:00');
    const places = [...document.querySelectorAll('[data-visit], [data-due]')].map(
      (e) => e.getAttribute('data-due') ?? 'visit',
    );
    expect(places).toEqual(['visit', 'visit', 'LID', 'CHECK']);
    expect(document.querySelector('[data-due=LID]')).toHaveTextContent(
      'LA-01 should be dry: put the lid on.',
    );
    expect(document.querySelector('[data-due=CHECK]')!.textContent.replace(/\s+/g, ' ')).toBe(
      '2 checks: has fruit set on Lantern 1, Lantern 2?',
    );
  });

  it('accounts for every flower of the next visit, and says why some are lost and what would save them', async () => {
    serve(answers());
    show(<Today />);
    const account = (await screen.findByText(/68\sflowers can be pollinated/)).closest('section')!;
    const text = account.textContent.replace(/\s+/g, ' ');
    expect(text).toContain('12 in this visit');
    expect(text).toContain('4 in later visits');
    expect(text).toContain('1 not wanted');
    expect(text).toContain('51 lost on Ettin 1: the doses run out.');
    await userEvent.click(screen.getByText(/Tree by tree/));
    expect(account.textContent).toContain('51 more doses of Lantern.');
    expect(account.textContent).toContain('4 21:00 with LA-01');
  });

  it('says which tree is worth reading before, and what the doubt costs', async () => {
    serve(answers());
    show(<Today />);
    const note = (await screen.findByText(/Read these/)).closest('section')!;
    expect(note.textContent.replace(/\s+/g, ' ')).toContain(
      'Lantern 2: last read Sun 22 Nov 17:00; 5 to 19 of its flowers shed pollen at 16:00, and 12 flowers of the plan rest on it.',
    );
    expect(screen.getByText('Lantern 2')).toHaveAttribute('href', '/bloom/read/l2');
    expect(screen.getByText('Read flowers').closest('a')).toHaveAttribute('href', '/bloom/read/l2');
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
    expect(screen.getByText('Check the orchard’s place')).toHaveAttribute('href', '/orchard');
  });

  it('answers each number of the sentence with its inputs', async () => {
    serve(answers());
    show(<Today />);
    await userEvent.click(await screen.findByText('pollinate 12 flowers'));
    expect(await screen.findByText(/The best use of the pollen there is/)).toBeInTheDocument();
    await userEvent.click(screen.getByText('at 16:00'));
    expect(await screen.findByText(/30 flowers can be pollinated then, 3 shed pollen/)).toBeInTheDocument();
  });

  it('says plainly when there is no pollen, and when there is no flower', async () => {
    serve(answers({ 'GET /api/plan': { ...plan, rounds: [] } }));
    const { unmount } = show(<Today />);
    expect(await heading()).toMatch(
      /About 9 flowers can be pollinated, but none gets pollen in the coming days/,
    );
    expect(screen.queryByText('Start walking')).toBeNull();
    unmount();
    serve(
      answers({
        'GET /api/bloom': bloomOf([bloomRow({ treeName: 'Lantern 1' })]),
        'GET /api/plan': { ...plan, rounds: [] },
      }),
    );
    show(<Today />);
    expect(await heading()).toMatch(/No flower can be pollinated in the coming days/);
  });

  it('tells crosses with a step due, and leads to each', async () => {
    const due: Schemas['Plan']['due'] = [
      { kind: 'CROSS_STEP', subject: '26-4', count: 3, id: 'c', step: 'BAG_OFF' },
      { kind: 'LEAVING', subject: '', count: 1, back: '2026-12-05' },
    ];
    serve(answers({ 'GET /api/plan': { ...plan, due } }));
    show(<Today />);
    expect((await screen.findByText('26-4')).closest('a')).toHaveAttribute('href', '/round/crosses#26-4');
    expect(document.querySelector('[data-due=CROSS_STEP]')!.textContent.replace(/\s+/g, ' ')).toBe(
      'Cross 26-4: take the bag off, 3 flowers.',
    );
    expect(screen.getByText(/You leave tomorrow, until Sat 5 Dec/)).toBeVisible();
  });

  it('says when it cannot be reached and tries again when asked', async () => {
    let there = false;
    serve(answers({ 'GET /api/bloom': () => (there ? bloomOf([giver, taker]) : SILENCE) }));
    show(<Today />);
    expect(await screen.findByText(/cannot be reached just now/)).toBeVisible();
    there = true;
    await userEvent.click(screen.getByText('Try again'));
    await waitFor(() => expect(screen.queryByText(/cannot be reached/)).toBeNull());
    expect(await heading()).toContain('12 flowers');
  });
});
