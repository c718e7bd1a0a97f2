import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, sheet, show, tree } from '../test/screen';
import { HowMany } from './HowMany';
import { SeedLotPage } from './SeedLotPage';
import { SeedLots } from './SeedLots';

const lot: Schemas['SeedLot'] = {
  id: 'l1',
  label: 'S26-1',
  treeId: 'h1',
  tree: 'Harrow 1',
  mother: 'Harrow',
  crossId: 'c1',
  cross: '26-1',
  father: 'Ember',
  crop: 'apple',
  harvestedOn: '2026-04-12',
  fruits: 6,
  seeds: 34,
  emptySeeds: 3,
  note: '',
  alive: [
    { stage: 'SOWN', count: 12 },
    { stage: 'UP', count: 20 },
  ],
  died: 2,
  givenAway: 0,
  discarded: 0,
  withoutNumber: [{ stage: 'UP', count: 20 }],
  numbered: 0,
  tasks: [
    { kind: 'CLOSE', count: 12, from: '2026-10-28', due: true, step: 'DIED', at: 'SOWN' },
    { kind: 'POT', count: 20, from: '2026-12-01', due: false, step: 'POTTED' },
  ],
  possible: [
    { step: 'CAME_UP', most: 12 },
    { step: 'POTTED', most: 20 },
    { step: 'DIED', at: 'SOWN', most: 12 },
    { step: 'SEEN', most: 32 },
  ],
  done: [
    { id: 's1', step: 'SOWN', on: '2026-09-02', count: 32, note: '', recordedBy: 'ines', version: 0 },
    { id: 's2', step: 'CAME_UP', on: '2026-10-06', count: 20, note: 'warm', recordedBy: 'ines', version: 0 },
  ],
  germination: [{ on: '2026-10-06', up: 20, sown: 32, share: 0.625, from: 0.46, until: 0.77 }],
  keptMoist: false,
  version: 0,
};
const source: Schemas['SeedSource'] = {
  treeId: 'h1',
  tree: 'Harrow 1',
  harvestedOn: '2026-05-02',
  fruits: 2,
  seeds: 12,
  emptySeeds: 2,
};

describe('seed lots', () => {
  it('say what is due, and offer seeds of harvested fruits until they are in a lot', async () => {
    const sent = serve({
      'GET /api/seed-lots': { lots: [lot], sources: [source] },
      'GET /api/trees': [tree('h1', 'Harrow 1')],
      'GET /api/crosses/made': [],
      'GET /api/varieties': [],
      'PUT /api/seed-lots/*': lot,
    });
    show(<SeedLots />);

    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent(
      '1 seed lot has something due',
    );
    expect(screen.getByText('Write off 12 seeds: nothing more comes up')).toBeInTheDocument();
    expect(screen.getByRole('img', { name: /^Of 34:/ })).toHaveAccessibleName(
      'Of 34: 12 sown, not up, 20 up, 2 dead',
    );

    await userEvent.click(screen.getByRole('button', { name: 'Make a lot' }));
    const form = await screen.findByRole('dialog');
    expect(within(form).getByLabelText('Full seeds')).toHaveValue('12');
    await userEvent.click(within(form).getByRole('button', { name: 'Save the lot' }));
    expect(await screen.findByText(/Write S26-1 on its bag/)).toBeInTheDocument();
    expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
      treeId: 'h1',
      seeds: 12,
      emptySeeds: 2,
      fruits: 2,
      harvestedOn: '2026-05-02',
    });
  });

  it('of which all have borne wait for nothing but their scores', async () => {
    serve({
      'GET /api/seed-lots': {
        lots: [{ ...lot, tasks: [], alive: [{ stage: 'PLANTED', count: 7 }] }],
        sources: [],
      },
    });
    show(<SeedLots />);
    expect(await screen.findByText(/have borne fruit/)).toBeInTheDocument();
  });

  it('can be of a cross of an earlier year, which is written down first', async () => {
    const sent = serve({
      'GET /api/seed-lots': { lots: [lot], sources: [] },
      'GET /api/trees': [{ ...tree('h1', 'Harrow 1'), crop: 'apple' }],
      'GET /api/crosses/made': [{ id: 'c1', label: '26-1', treeId: 'h1', fatherId: 'ember' }],
      'GET /api/varieties': [
        { id: 'ember', name: 'Ember', crop: 'apple' },
        { id: 'lime', name: 'Pocket Lime', crop: 'citrus' },
      ],
      'PUT /api/crosses/*': { id: 'c9' },
      'PUT /api/seed-lots/*': lot,
    });
    show(<SeedLots />);
    await userEvent.click(await screen.findByRole('button', { name: 'New lot' }));
    const form = await screen.findByRole('dialog');
    const cross = within(form).getByLabelText('Cross');
    expect(within(cross).getByRole('option', { name: '26-1, with Ember' })).toBeInTheDocument();
    await userEvent.selectOptions(cross, 'one of an earlier year, not here yet');
    await userEvent.type(within(form).getByLabelText('Full seeds'), '20');
    const save = within(form).getByRole('button', { name: 'Save the lot' });
    expect(save).toBeDisabled();
    expect(within(form).queryByRole('option', { name: 'Pocket Lime' })).not.toBeInTheDocument();
    await userEvent.selectOptions(within(form).getByLabelText('Father'), 'Ember');
    const year = within(form).getByLabelText('Year it was made');
    await userEvent.clear(year);
    await userEvent.type(year, '2023');
    await userEvent.click(save);
    expect(await screen.findByText(/Write S26-1 on its bag/)).toBeInTheDocument();
    const [made, kept] = sent.filter((s) => s.method === 'PUT');
    expect(made!.body).toMatchObject({ treeId: 'h1', fatherId: 'ember', year: 2023 });
    expect(kept!.body).toMatchObject({ crossId: made!.path.split('/').at(-1), seeds: 20 });
  });

  it('begin with a harvested fruit', async () => {
    serve({ 'GET /api/seed-lots': { lots: [], sources: [] } });
    show(<SeedLots />);
    expect(await screen.findByText('Seeds begin with a harvested fruit')).toBeInTheDocument();
  });
});

const open = (more: Record<string, unknown> = {}) => {
  const sent = serve({ 'GET /api/seed-lots/l1': lot, ...more });
  show(<SeedLotPage />, { at: '/fruit-set/seeds/l1', route: '/fruit-set/seeds/:lot' });
  return sent;
};

describe('a seed lot', () => {
  it('begins with the step that is due, and keeps what was typed where it is refused', async () => {
    const sent = open({
      'PUT /api/seed-lots/l1/steps/*': refusal(400, {
        errors: [{ field: 'count', message: 'is 30, but on 2026-11-24 only 20 were there to be potted.' }],
      }),
    });
    const step = await screen.findByLabelText('What was done');
    expect(step).toHaveDisplayValue('Dead: in the soil');
    await userEvent.click(screen.getAllByRole('button', { name: 'Done' })[1]!);
    expect(screen.getByLabelText('What was done')).toHaveDisplayValue('Pot');
    const count = screen.getByLabelText('How many');
    expect(count).toHaveValue('20');
    await userEvent.clear(count);
    await userEvent.type(count, '30');
    await userEvent.click(screen.getByRole('button', { name: 'Save the step' }));
    expect(await screen.findByText(/only 20 were there/)).toBeInTheDocument();
    expect(screen.getByLabelText('How many')).toHaveValue('30');
    expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({ step: 'POTTED', count: 30 });
  });

  it('tells what came up with its interval, and removes a step with its reason', async () => {
    const sent = open({
      'GET /api/story/seed-step/s2/effects': { effects: [] },
      'POST /api/story/seed-step/s2/remove': undefined,
    });
    expect(await screen.findByText(/came up. warm|20 came up/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Remove: 20 came up' }));
    await userEvent.type(await screen.findByLabelText('Why'), 'counted twice');
    await userEvent.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Remove' }));
    expect(await screen.findByText('The step was removed.')).toBeInTheDocument();
    expect(sent.find((s) => s.path.endsWith('/remove'))?.body).toMatchObject({
      version: 0,
      reason: 'counted twice',
    });
  });
});

const number = (value: number) => ({ value, basis: 'MEMORY' as const });
const apple: Schemas['CropSheetView'] = {
  ...sheet,
  key: 'apple',
  name: 'Apple',
  cross: {
    prepareAt: 'balloon',
    keep: number(3),
    bag: 'Bag it.',
    atOnce: number(0.6),
    ripeAfterHours: number(24),
    lastsHours: number(144),
    bagOffDays: number(30),
    setShare: number(0.3),
    seeds: number(5),
    ovules: number(10),
  },
  seeds: {
    keptMoist: false,
    keepMonths: number(24),
    germinateWeeks: number(8),
    potWeeks: number(8),
    plantMonths: number(6),
    germinates: number(0.7),
    reachesPot: number(0.85),
    reachesFruit: number(0.6),
    fruitYears: number(5),
  },
};

describe('labels of a lot', () => {
  it('are as many as seedlings are up, unless one says otherwise', async () => {
    URL.createObjectURL = vi.fn(() => 'blob:labels');
    const sent = open({
      'POST /api/seed-lots/l1/labels': { pdf: '', firstPage: '', labels: 20, pages: 1, shortened: [] },
    });
    await userEvent.click(await screen.findByRole('button', { name: 'Make 20 labels' }));
    expect(await screen.findByRole('link', { name: 'Save the PDF: 20 labels' })).toHaveAttribute(
      'download',
      'S26-1-labels.pdf',
    );
    expect(sent[0]?.body).toMatchObject({ copies: 20, skip: 0 });
  });
});

describe('how many', () => {
  it('says seeds, fruits and flowers in one sentence, and where most is lost', async () => {
    serve({
      'GET /api/crops': [sheet, apple],
      'GET /api/trees': [{ ...tree('h1', 'Harrow 1'), crop: 'apple' }],
      'GET /api/seed-lots/demand': {
        crop: 'apple',
        trees: 10,
        seeds: { from: 28, until: 50 },
        fruits: { from: 6, until: 10 },
        seedsPerFruit: 5,
        seedsBasis: 'MEMORY',
        flowers: [
          { by: 'the crop sheet', share: 0.3, flowers: { from: 20, until: 34 } },
          { by: 'one in ten', share: 0.1, flowers: { from: 60, until: 100 } },
        ],
        steps: [
          {
            step: 'germinates',
            sheet: 0.7,
            basis: 'MEMORY',
            lived: 0,
            seen: 0,
            mean: 0.7,
            from: 0.5,
            until: 0.9,
          },
          {
            step: 'reachesPot',
            sheet: 0.85,
            basis: 'MEMORY',
            lived: 20,
            seen: 23,
            mean: 0.86,
            from: 0.7,
            until: 0.95,
          },
          {
            step: 'reachesFruit',
            sheet: 0.6,
            basis: 'MEMORY',
            lived: 0,
            seen: 0,
            mean: 0.6,
            from: 0.4,
            until: 0.8,
          },
        ],
        judgedIn: 2031,
      } satisfies Schemas['SeedDemand'],
    });
    show(<HowMany />);
    expect(await screen.findByText(/10 trees judged in 2031 take/)).toHaveTextContent(
      '10 trees judged in 2031 take 28 to 50 seeds, 6 to 10 fruits, 20 to 100 flowers.',
    );
    expect(screen.getByText(/The largest share is lost/)).toHaveTextContent(
      'between the pot and their first fruit: 40',
    );
    expect(screen.getByText(/your lots 20 of 23/)).toBeInTheDocument();
  });
});
