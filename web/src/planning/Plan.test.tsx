import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { roundStop, text } from '../test/samples';
import { serve, show } from '../test/screen';
import { Hours } from '../availability/Hours';
import { Plan } from './Plan';
import { Wanted } from '../cropload/Wanted';

const stop: Schemas['RoundStop'] = {
  ...roundStop('Pale Ridge 1', 'LA-02'),
  treeId: 't1',
  lotId: 'l1',
  expected: 4.2,
  why: 'The only pollen there is that serves it.',
};
const plan: Schemas['Plan'] = {
  moments: ['2026-11-24T02:40:00Z', '2026-11-24T12:40:00Z'],
  receptive: [12, 8],
  shedding: [0, 5],
  rounds: [
    {
      at: '2026-11-24T03:40:00Z',
      day: '2026-11-24',
      until: '2026-11-24T06:00:00Z',
      why: [text('visit.flowers', { sheet: 'Cherimoya', receptive: 12, shedding: 0 })],
      mostFlowers: 80,
      minutes: 24,
      flowers: 6,
      expectedFruits: 2.6,
      crops: ['Cherimoya'],
      collect: [
        {
          varietyId: 'v',
          variety: 'Lantern',
          crop: 'cherimoya',
          doses: 4,
          dosesPerFlower: 3,
          flowers: 2,
          later: 0,
          trees: [
            {
              treeId: 't9',
              tree: 'Lantern 1',
              place: text('tree.place', { inBlock: 'yes', block: 'Bank', row: 2, position: 1 }),
              flowers: 5.2,
            },
          ],
        },
      ],
      stops: [stop],
    },
  ],
  readNext: [],
  due: [],
  left: [
    {
      treeId: 't2',
      tree: 'Pale Ridge 2',
      flowers: 3,
      reason: 'DOSES_RUN_OUT',
      wouldServe: text('save.doses', { n: 3, fathers: 'Lantern' }),
    },
  ],
  kept: [
    { lot: 'LA-02', doses: 4, at: '2026-11-26T03:40:00Z', tree: 'Pale Ridge 2', why: 'Worth more then.' },
  ],
  spare: [],
  choices: [],
  overrides: [],
  paces: [],
  away: [{ first: '2026-11-27', last: '2026-12-05', note: '', todo: ['LA-02 will be too old by then.'] }],
  obstacles: [text('obstacle.too-many-fruits', { tree: 'Pale Ridge 2', fruits: 400, carries: 11 })],
  value: 4.2,
  expectedFruits: 2.6,
  proven: true,
  gap: 0,
};

describe('the coming days', () => {
  it('say when and why, what to gather first, what is kept back, what is left and what stands in the way', async () => {
    serve({ 'GET /api/plan': plan, 'GET /api/light': { suns: [] } });
    show(<Plan />);
    expect(await screen.findByText('1 visit, 6 flowers, about 3 fruits to be expected.')).toBeVisible();
    await userEvent.click(screen.getByText('6 flowers on 1 tree'));
    expect(screen.getByText(/2 male flowers for 4 doses, from Lantern 1 \(5 shedding/)).toBeVisible();
    expect(screen.getByText(/You manage 80 flowers until then/)).toBeVisible();
    expect(screen.getByText(/Pale Ridge 2: 4 dose|: 4\sdose/)).toHaveTextContent(
      'LA-02 for Pale Ridge 2: 4 doses',
    );
    expect(screen.getByText(/Pale Ridge 2: 3 flowers left, the doses run out/)).toHaveTextContent(
      '3 more doses of Lantern.',
    );
    expect(screen.getByText(/but it can carry 11/)).toBeVisible();
    expect(screen.getByText('LA-02 will be too old by then.')).toBeVisible();
    expect(screen.getByText(/Proven: no other plan/)).toBeVisible();
  });

  it('take a choice, show its cost, and take it back', async () => {
    let chosen: Schemas['PlanPollenOverride'][] = [];
    const choice = { id: 'c', treeId: 't1', tree: 'Pale Ridge 1', lotId: 'l1', lot: 'LA-02', version: 0 };
    const sent = serve({
      'GET /api/plan': () => ({ ...plan, choices: chosen, ...(chosen.length > 0 && { cost: 1.24 }) }),
      'GET /api/light': { suns: [] },
      'PUT /api/pollen-overrides/*': () => {
        chosen = [{ ...choice, flowers: 0 }];
        return chosen[0];
      },
      'POST /api/pollen-overrides/*/void': () => {
        chosen = [];
        return undefined;
      },
    });
    show(<Plan />);
    await userEvent.click(await screen.findByLabelText('Change Pale Ridge 1 with LA-02'));
    await userEvent.click(await screen.findByText('Never LA-02 to Pale Ridge 1'));
    expect(await screen.findByText('costs about 1.2 fruits against the best plan')).toBeVisible();
    expect(sent[0]!.body).toEqual({ treeId: 't1', lotId: 'l1', flowers: 0 });
    await userEvent.click(screen.getByText('Remove'));
    await waitFor(() => expect(screen.queryByText('What you chose')).toBeNull());
  });
});

describe('overriding the plan', () => {
  const day = { kind: 'SKIP_DAYS', firstDay: '2026-11-24', lastDay: '2026-11-24' } as const;

  it('says what it costs first, and can be taken back', async () => {
    let made: Schemas['PlanOverride'][] = [];
    const sent = serve({
      'GET /api/plan': () => ({ ...plan, overrides: made, ...(made.length > 0 && { cost: 1.4 }) }),
      'GET /api/light': { suns: [] },
      'POST /api/plan-overrides/cost': { now: 12.4, then: 11, cost: 1.4 },
      'PUT /api/plan-overrides/*': () => {
        made = [{ ...day, id: 'o', version: 0 }];
        return made[0];
      },
      'POST /api/plan-overrides/*/void': () => {
        made = [];
        return undefined;
      },
    });
    show(<Plan />);
    await userEvent.click(await screen.findByText('Skip this day'));
    expect(await screen.findByText('Costs about 1.4 fruits')).toBeVisible();
    expect(screen.getByText('11.0 in place of 12.4 to be expected over ten days.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Skip' }));
    expect(await screen.findByText('What you chose')).toBeVisible();
    expect(sent.find((s) => s.method === 'PUT')!.body).toEqual(day);
    await userEvent.click(screen.getByLabelText('Remove: Nobody goes on Tue 24 Nov'));
    await waitFor(() => expect(screen.queryByText('What you chose')).toBeNull());
  });

  it('skips one tree for a week from the day of the visit', async () => {
    const sent = serve({
      'GET /api/plan': plan,
      'GET /api/light': { suns: [] },
      'POST /api/plan-overrides/cost': { now: 12.4, then: 12.4, cost: 0 },
    });
    show(<Plan />);
    await userEvent.click(await screen.findByLabelText('Change Pale Ridge 1 with LA-02'));
    await userEvent.click(await screen.findByText('Not Pale Ridge 1 this week'));
    expect(await screen.findByText('Costs no fruit.')).toBeVisible();
    expect(sent.at(-1)!.body).toEqual({
      kind: 'SKIP_TREE',
      treeId: 't1',
      firstDay: '2026-11-24',
      lastDay: '2026-11-30',
    });
  });
});

describe('what is wanted', () => {
  const budget: Schemas['TargetBudget'] = {
    treeId: 't1',
    tree: 'Pale Ridge 1',
    varietyId: 'ridge',
    variety: 'Pale Ridge',
    crop: 'cherimoya',
    ofVariety: false,
    wanted: 11,
    carries: 11,
    young: false,
    set: 4,
    pending: 6,
    share: 0.6,
    shareLow: 0.5,
    shareHigh: 0.7,
    learnedFrom: 21,
    flowers: 17,
    more: 11,
    sure: [
      { confidence: 80, flowers: 14 },
      { confidence: 90, flowers: 17 },
    ],
    why: 'It can carry 11: girth 20.0 cm is 32 cm² of trunk.',
  };

  it('answers with flowers to do, and why', async () => {
    serve({ 'GET /api/targets': [budget] });
    show(<Wanted />);
    expect(await screen.findByText('11 more flowers on 1 tree for the fruits you want')).toBeVisible();
    await userEvent.click(screen.getByLabelText(/11 more flowers/));
    expect(await screen.findByText(/girth 20.0 cm/)).toBeInTheDocument();
    expect(screen.getByText(/14 for 80 %, 17 for 90 %/)).toBeInTheDocument();
  });

  it('sends trunk, limbs and priority as they are typed', async () => {
    const sent = serve({
      'GET /api/targets': [{ ...budget, wanted: undefined }],
      'PUT /api/targets/*': { version: 0 },
    });
    show(<Wanted />);
    await userEvent.click(await screen.findByText('Change'));
    await userEvent.type(screen.getByLabelText('Girth of the trunk, cm'), '41.5');
    await userEvent.type(screen.getByLabelText('Limbs that may carry, mm'), '12, 25 30');
    await userEvent.selectOptions(screen.getByLabelText('Priority'), 'first of all');
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() =>
      expect(sent[0]?.body).toEqual({
        treeId: 't1',
        girthCm: 41.5,
        limbsMm: [12, 25, 30],
        confidence: 90,
        priority: 3,
      }),
    );
  });
});

describe('what is wanted of a variety', () => {
  const target = {
    id: 'v1',
    varietyId: 'ridge',
    fruits: 6,
    limbsMm: [],
    confidence: 80,
    priority: 2,
    note: '',
    version: 4,
  };
  const budget = {
    treeId: 't1',
    tree: 'Pale Ridge 1',
    varietyId: 'ridge',
    variety: 'Pale Ridge',
    ofVariety: true,
    target,
    varietyTarget: target,
    share: 0.6,
    shareLow: 0.5,
    shareHigh: 0.7,
    sure: [],
    set: 0,
  };

  it('is changed for every tree of it, without trunk or limbs, and taken back', async () => {
    const sent = serve({
      'GET /api/targets': [budget],
      'PUT /api/targets/v1': { version: 5 },
      'POST /api/targets/v1/void': {},
    });
    show(<Wanted />);
    await userEvent.click(await screen.findByText('Change'));
    expect(screen.getByLabelText('every tree of Pale Ridge')).toBeChecked();
    expect(screen.queryByLabelText('Girth of the trunk, cm')).toBeNull();
    const fruits = screen.getByLabelText('Fruits wanted');
    await userEvent.clear(fruits);
    await userEvent.type(fruits, '9');
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() =>
      expect(sent[0]?.body).toEqual({
        varietyId: 'ridge',
        fruits: 9,
        confidence: 80,
        priority: 2,
        version: 4,
      }),
    );
    await userEvent.click(await screen.findByText('Change'));
    await userEvent.click(screen.getByText('Want nothing in particular'));
    await waitFor(() => expect(sent.at(-1)?.path).toBe('/api/targets/v1/void'));
  });
});

describe('hours and habits', () => {
  it('are written down together and keep their version', async () => {
    const before: Schemas['RoundSettings'] = {
      id: 's',
      pollenAge: 'STORED',
      strokes: 'AS_SHEET',
      flowersPerHour: 60,
      worthGoing: 0.3,
      everyDay: [{ from: '16:00:00', until: '19:00:00' }],
      singleDays: [],
      away: [],
      keepPhotoPlace: false,
      useLearned: true,
      repeatVisits: true,
      rhythm: 'EVERY_DAY',
      weekdays: [],
      onlyWhenWarm: false,
      earlyFlush: 'WAIT',
      version: 2,
    };
    const sent = serve({
      'GET /api/round-settings': before,
      'PUT /api/round-settings/*': { ...before, version: 3 },
    });
    show(<Hours />);
    await userEvent.click(await screen.findByLabelText('only what was collected within the hour'));
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() =>
      expect(sent[0]?.body).toMatchObject({ pollenAge: 'SAME_HOUR', flowersPerHour: 60, version: 2 }),
    );
    expect(sent[0]!.path).toBe('/api/round-settings/s');
    await userEvent.click(screen.getByLabelText(/Use what was learned here/));
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(sent[1]?.body).toMatchObject({ useLearned: false, pollenAge: 'SAME_HOUR' }));
  });
});
