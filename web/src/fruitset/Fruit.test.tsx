import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show, tree } from '../test/screen';
import { Fruit } from './Fruit';
import { Limbs } from './Limbs';

const fruits: Schemas['Fruits'] = {
  year: 2026,
  nextNumber: 8,
  fruits: [
    {
      id: 'f7',
      treeId: 't1',
      tree: 'Lantern 1',
      crop: 'cherimoya',
      pollinationId: 'p1',
      from: 'with Pale Ridge, 11 November',
      year: 2026,
      number: 7,
      numberedAt: '2026-11-20T03:00:00Z',
      version: 0,
    },
    {
      id: 'f1',
      treeId: 't1',
      tree: 'Lantern 1',
      crop: 'cherimoya',
      from: 'not known from which flower',
      year: 2025,
      end: {
        kind: 'HARVESTED',
        at: '2026-11-21T03:00:00Z',
        weightG: 312,
        seeds: 1,
        emptySeeds: 1,
        shape: 'CROOKED',
        taste: 4,
      },
      version: 0,
    },
  ],
  sources: [
    {
      pollinationId: 'p1',
      treeId: 't1',
      tree: 'Lantern 1',
      crop: 'cherimoya',
      from: 'with Pale Ridge, 11 November',
      on: '2026-11-11',
      hanging: 4,
      unnumbered: 3,
      calyxCut: false,
      numberFrom: '2027-03-01',
      numberNow: false,
      ripeFrom: '2027-04-30',
    },
  ],
};
const candidate = { pollinationId: 'p1', from: 'with Pale Ridge, 11 November', hanging: 3, share: 1 };

describe('single fruits', () => {
  it('corrects what a fruit was like under its version, as when its seeds are counted in winter', async () => {
    const sent = serve({
      'GET /api/fruits': fruits,
      'GET /api/trees': [tree('t1', 'Lantern 1')],
      'GET /api/trees/*/fallen': [candidate],
      'PUT /api/fruits/*/end': fruits.fruits[1],
    });
    show(<Fruit />);
    expect(await screen.findByText('of 2025')).toBeVisible();
    await userEvent.click(screen.getByLabelText('Change fruit of Lantern 1'));
    const form = await screen.findByRole('dialog');
    const seeds = within(form).getByLabelText('Seeds');
    await userEvent.clear(seeds);
    await userEvent.type(seeds, '9');
    await userEvent.click(within(form).getByText('Save'));

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ version: 0, end: { seeds: 9, weightG: 312, shape: 'CROOKED' } });
  });

  it('writes the next number, and lists what became of each', async () => {
    const sent = serve({
      'GET /api/fruits': fruits,
      'GET /api/trees': [tree('t1', 'Lantern 1')],
      'GET /api/trees/*/fallen': [candidate],
      'PUT /api/fruits/*': { ...fruits.fruits[0], number: 8 },
    });
    show(<Fruit />);
    expect(await screen.findByText('4 fruits hang by the latest checks, 1 harvested.')).toBeVisible();
    expect(screen.getByText(/large enough about .*may be ripe from/)).toBeVisible();
    expect(screen.getByText(/312 g · 1 seed, 1 empty · crooked · taste 4 of 5/)).toBeVisible();
    await userEvent.click(screen.getByText('Write 8 on one'));
    expect(await screen.findByText('Lantern 1: write 8 on the fruit.')).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ treeId: 't1', pollinationId: 'p1', number: 8 });
  });

  it('ends a numbered fruit, asks about too many seeds, and keeps what was typed', async () => {
    const replies: unknown[] = [
      refusal(409, { detail: '400 seeds are more than it holds.', confirm: 'more-seeds-than-ovules' }),
      refusal(400, { errors: [{ field: 'end.kind', message: 'was recorded already: harvested.' }] }),
    ];
    const sent = serve({
      'GET /api/fruits': fruits,
      'GET /api/trees': [tree('t1', 'Lantern 1')],
      'GET /api/trees/*/fallen': [candidate],
      'PUT /api/fruits/*/end': () => replies.shift(),
    });
    show(<Fruit />);
    await userEvent.selectOptions(await screen.findByLabelText('Number on it'), 'f7');
    expect(screen.getByText('Number 7: with Pale Ridge, 11 November.')).toBeVisible();
    await userEvent.type(screen.getByLabelText('Seeds'), '400');
    await userEvent.click(screen.getByText('Save the fruit'));
    expect(await screen.findByText('400 seeds are more than it holds.')).toBeVisible();
    await userEvent.click(screen.getByText('Yes, record it'));
    expect(await screen.findByText('What became of it was recorded already: harvested.')).toBeVisible();
    expect(screen.getByLabelText('Seeds')).toHaveValue('400');
    expect(sent[1]!.body).toMatchObject({
      end: { kind: 'HARVESTED', seeds: 400 },
      confirmed: ['more-seeds-than-ovules'],
    });
  });

  it('tells which flowers a fallen fruit can be from', async () => {
    serve({
      'GET /api/fruits': fruits,
      'GET /api/trees': [tree('t1', 'Lantern 1')],
      'GET /api/trees/*/fallen': [candidate],
    });
    show(<Fruit />);
    await userEvent.click(await screen.findByText('Found fallen'));
    const which = screen.getByLabelText('Which flowers was it from?');
    expect(await within(which).findByText(/with Pale Ridge, 11 November: 100\s%/)).toBeInTheDocument();
  });
});

describe('whole limbs', () => {
  const limb: Schemas['Limb'] = {
    treeId: 't1',
    tree: 'Lantern 1',
    limb: 'East limb',
    now: 12,
    counts: [
      {
        id: 'c1',
        countedAt: '2026-11-20T03:00:00Z',
        fruits: 12,
        takenOff: 0,
        before: 9,
        flowersSince: 2,
        kind: 'MORE_THAN_DONE',
        say: '3 more than before.',
        note: '',
        version: 0,
      },
    ],
  };

  it('shows what was counted before, and what lies between', async () => {
    const sent = serve({
      'GET /api/limbs': [limb],
      'GET /api/trees': [tree('t1', 'Lantern 1')],
      'PUT /api/limb-counts/*': (s: { path: string }) => ({
        ...limb,
        now: 13,
        counts: [{ ...limb.counts[0], id: s.path.split('/').at(-1), say: '1 more than before.' }],
      }),
    });
    show(<Limbs />);
    expect(await screen.findByText('12 fruits on 1 limb, each counted once.')).toBeVisible();
    expect(screen.getByText('3 more than before.')).toHaveClass('warn');
    await userEvent.type(screen.getByLabelText('Limb', { selector: 'input' }), 'east limb');
    expect(screen.getByText(/The new count takes its place/)).toBeVisible();
    await userEvent.type(screen.getByLabelText('fruits now'), '13');
    await userEvent.click(screen.getByText('Save the count'));
    expect(await screen.findByText('Lantern 1, East limb: 1 more than before.')).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ treeId: 't1', limb: 'east limb', takenOff: 0 });
  });
});
