import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show } from '../test/screen';
import { GiveNumbers } from './GiveNumbers';
import { Rivers } from './Rivers';
import { SeedlingPage } from './SeedlingPage';
import { Seedlings } from './Seedlings';

const row: Schemas['SeedlingRow'] = {
  id: 'd7',
  number: '26-1-07',
  lotId: 'l1',
  lot: 'S26-1',
  crop: 'apple',
  motherId: 'harrow',
  mother: 'Harrow',
  fatherId: 'ember',
  father: 'Ember',
  crossId: 'c1',
  numberedOn: '2026-05-02',
  stage: 'POTTED',
  state: 'GROWING',
  place: 'bench 1',
  fruitFrom: '2031-09-01',
  version: 0,
};
const gone: Schemas['SeedlingRow'] = {
  ...row,
  id: 'd8',
  number: '26-1-08',
  state: 'DEAD',
  endedOn: '2026-06-01',
};
const seedling: Schemas['Seedling'] = {
  row,
  numberedAt: 'UP',
  numberedPlace: 'tray 2',
  note: '',
  inbreeding: 0.125,
  genotypes: [
    { alleles: 'S1 S3', share: 0.5 },
    { alleles: 'S2 S3', share: 0.5 },
  ],
  certainAlleles: 'S3 ?',
  happened: [{ id: 's1', event: 'POTTED', on: '2026-06-02', place: 'bench 1', note: '', version: 0 }],
  possible: ['PLANTED', 'MOVED', 'GRAFTED', 'DIED'],
};
const breeding = { alleles: '' };
const varieties = [
  { id: 'harrow', name: 'Harrow', crop: 'apple', breeding: { alleles: 'S1 S2', motherId: 'ember' } },
  { id: 'ember', name: 'Ember', crop: 'apple', breeding },
];
const trait = {
  id: 't1',
  crop: 'apple',
  name: 'Taste',
  unit: '',
  low: 1,
  high: 9,
  better: 'HIGH',
  weight: 2,
  scores: 1,
  version: 0,
};

describe('numbered seedlings', () => {
  it('are found by what is known of them, those that are gone only when asked for', async () => {
    serve({ 'GET /api/seedlings': [row, gone] });
    show(<Seedlings />);
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent(
      '1 numbered seedling grows here',
    );
    expect(screen.queryByText('26-1-08')).not.toBeInTheDocument();
    await userEvent.selectOptions(screen.getByLabelText('Which'), 'no longer here');
    expect(screen.getByText('26-1-08')).toBeInTheDocument();
    await userEvent.type(screen.getByLabelText('Number, parent or place'), 'nobody');
    expect(screen.getByText('None is like that.')).toBeInTheDocument();
  });

  it('get their numbers once, though they are sent twice', async () => {
    const lot = {
      id: 'l1',
      label: 'S26-1',
      withoutNumber: [{ stage: 'UP', count: 3 }],
    } as Schemas['SeedLot'];
    let refused = true;
    const sent = serve({
      'POST /api/seed-lots/l1/seedlings': () => {
        const answer = refused
          ? refusal(400, { errors: [{ field: 'on', message: 'is too early.' }] })
          : [row];
        refused = false;
        return answer;
      },
    });
    show(<GiveNumbers lot={lot} />);
    const give = await screen.findByRole('button', { name: 'Give 3 numbers' });
    await userEvent.click(give);
    expect(await screen.findByText(/is too early/)).toBeInTheDocument();
    await userEvent.click(give);
    expect(await screen.findByText('It is number 26-1-07.')).toBeInTheDocument();
    const bodies = sent.filter((s) => s.method === 'POST').map((s) => s.body as { ids: string[] });
    expect(bodies[0]!.ids).toHaveLength(3);
    expect(bodies[1]!.ids).toEqual(bodies[0]!.ids);
  });
});

const open = (more: Record<string, unknown> = {}) => {
  const sent = serve({
    'GET /api/seedlings/d7': seedling,
    'GET /api/varieties': varieties,
    'GET /api/scores': { traits: [trait], scores: [] },
    ...more,
  });
  show(<SeedlingPage />, { at: '/fruit-set/seedlings/d7', route: '/fruit-set/seedlings/:seedling' });
  return sent;
};

describe('rivers of seeds', () => {
  it('say how many there were, are alive, and when they bear', async () => {
    serve({
      'GET /api/seed-lots/rivers': [
        {
          id: 'l1',
          label: 'S26-1',
          mother: 'Harrow',
          crop: 'apple',
          days: [
            { on: '2025-04-12', alive: [{ stage: 'KEPT', count: 30 }] },
            { on: '2025-09-02', alive: [{ stage: 'UP', count: 12 }] },
          ],
          today: '2026-11-24',
          fruitFrom: '2031-03-01',
        },
      ],
    });
    show(<Rivers />);
    expect(
      await screen.findByText(': 30 seeds, 18 gone, 12 alive, first fruit about 2031'),
    ).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'S26-1' })).toHaveAttribute('href', '/fruit-set/seeds/l1');
  });
});

describe('a seedling', () => {
  it('tells where it is, its kin and its alleles', async () => {
    open();
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('26-1-07: Harrow × Ember');
    expect(screen.getByText(/S1 S3 \(50.%\), S2 S3 \(50.%\)/)).toBeInTheDocument();
    expect(screen.getByText(/inbreeding 13/)).toBeInTheDocument();
    const pedigree = await screen.findByRole('list', { name: 'Pedigree of 26-1-07' });
    // Ember is its father, and the mother of its mother.
    expect(within(pedigree).getAllByRole('link', { name: 'Ember' })).toHaveLength(2);
    expect(within(pedigree).getAllByText('not known')).toHaveLength(1);
  });

  it('asks for the rootstock of a grafting, and keeps what was typed where it is refused', async () => {
    const sent = open({
      'PUT /api/seedlings/d7/steps/*': refusal(400, {
        errors: [{ field: 'rootstock', message: 'is 26-1-07 itself.' }],
      }),
    });
    await userEvent.selectOptions(await screen.findByLabelText('What happened'), 'Its wood grafted');
    expect(screen.getByRole('button', { name: 'Save it' })).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Rootstock'), '26-1-07');
    await userEvent.click(screen.getByRole('button', { name: 'Save it' }));
    expect(await screen.findByText(/is 26-1-07 itself/)).toBeInTheDocument();
    expect(screen.getByLabelText('Rootstock')).toHaveValue('26-1-07');
    expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
      event: 'GRAFTED',
      rootstock: '26-1-07',
    });
  });

  it('is corrected where its beginning was wrong', async () => {
    const sent = open({ 'PUT /api/seedlings/d7': seedling });
    await userEvent.click(await screen.findByRole('button', { name: 'Correct' }));
    const form = await screen.findByRole('dialog');
    const place = within(form).getByLabelText('Place then');
    await userEvent.clear(place);
    await userEvent.type(place, 'tray 3');
    await userEvent.click(within(form).getByRole('button', { name: 'Save' }));
    expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
      at: 'UP',
      on: '2026-05-02',
      place: 'tray 3',
      version: 0,
    });
  });

  it('is scored on a card, of which empty traits are left out', async () => {
    const sent = open({
      'GET /api/scores': {
        traits: [trait, { ...trait, id: 't2', name: 'Keeping', unit: 'weeks' }],
        scores: [],
      },
      'POST /api/scores': null,
    });
    await userEvent.type(await screen.findByLabelText('Taste'), '7.5');
    await userEvent.click(screen.getByRole('button', { name: 'Save the scores' }));
    expect(await screen.findByText(/1 score by .* is saved/)).toBeInTheDocument();
    expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({
      seedlingId: 'd7',
      scores: [{ traitId: 't1', value: 7.5 }],
    });
  });
});
