import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { serve, show } from '../test/screen';
import { Judged } from './Judged';
import { Promising } from './Promising';

const taste: Schemas['Trait'] = {
  id: 't1',
  crop: 'apple',
  name: 'Taste',
  unit: '',
  low: 1,
  high: 9,
  better: 'HIGH',
  weight: 2,
  scores: 6,
  agreement: { share: 0.8, from: 0.65, until: 0.93, plants: 3, scores: 6, verdict: 'AGREE' },
  version: 0,
};
const judging: Schemas['Judging'] = {
  traits: [taste],
  plants: [
    {
      kind: 'SEEDLING',
      id: 'd7',
      name: '26-1-07',
      mother: 'Harrow',
      father: 'Ember',
      means: [{ traitId: 't1', mean: 7.5, times: 2, from: 6.1, until: 8.9 }],
      merit: 2.1,
      unknown: 0,
    },
    { kind: 'VARIETY', id: 'harrow', name: 'Harrow', means: [], merit: 0, unknown: 1 },
  ],
};
const orchard = {
  'GET /api/varieties': [{ id: 'harrow', name: 'Harrow', crop: 'apple' }],
  'GET /api/crops': [{ key: 'apple', name: 'Apple' }],
};

describe('judged plants', () => {
  it('stand in order of merit, and each mean says how sure it is', async () => {
    serve({ ...orchard, 'GET /api/judging': judging });
    show(<Judged />);
    const rows = within(
      (await screen.findByText('The best first, by your weights')).closest('section')!,
    ).getAllByRole('row');
    expect(rows[1]).toHaveTextContent('26-1-07');
    expect(rows[2]).toHaveTextContent('1 not scored');
    await userEvent.click(screen.getByRole('button', { name: /Taste of 26-1-07/ }));
    expect(await screen.findByText(/nine times in ten in 6.1 to 8.9/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /whether scores agree/ }));
    expect(await screen.findByText(/agree well/)).toBeInTheDocument();
  });

  it('begin with what one judges by', async () => {
    const sent = serve({
      ...orchard,
      'GET /api/judging': { traits: [], plants: [] },
      'PUT /api/traits/*': null,
    });
    show(<Judged />);
    await userEvent.click(await screen.findByRole('button', { name: 'Disease' }));
    const form = await screen.findByRole('dialog');
    expect(within(form).getByLabelText('Which end you want')).toHaveDisplayValue('low is good');
    await userEvent.click(within(form).getByRole('button', { name: 'Save the trait' }));
    expect(await screen.findByText('Plants can be scored by Disease now.')).toBeInTheDocument();
    expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
      crop: 'apple',
      low: 0,
      high: 5,
      better: 'LOW',
    });
  });
});

describe('promising crosses', () => {
  const cross: Schemas['PromisingCross'] = {
    motherId: 'harrow',
    mother: 'Harrow',
    fatherId: 'ember',
    father: 'Ember',
    inbreeding: 0.25,
    known: true,
    traits: [
      {
        traitId: 't1',
        mean: 6.9,
        meanFrom: 6.6,
        meanUntil: 7.2,
        oneFrom: 5.1,
        oneUntil: 8.7,
        slope: 0.82,
        crosses: 5,
        seedlings: 21,
      },
    ],
    made: ['20-1'],
    merit: 1.2,
    unknown: 0,
  };

  it('say what single seedlings would be, what is learned, and the cost of kinship', async () => {
    serve({
      ...orchard,
      'GET /api/judging': judging,
      'GET /api/judging/crosses': { pairs: [cross], compared: 1 },
    });
    show(<Promising />);
    const row = (await screen.findByRole('link', { name: 'Harrow × Ember' })).closest('tr')!;
    expect(row).toHaveTextContent('5.1 to 8.7');
    expect(row).toHaveTextContent(/25.%/);
    expect(row).toHaveTextContent('made before: 20-1');
    await userEvent.click(screen.getByRole('button', { name: /Taste of its seedlings/ }));
    expect(await screen.findByText(/go up by 0.82/)).toBeInTheDocument();
  });

  it('need two scored parents', async () => {
    serve({
      ...orchard,
      'GET /api/judging': judging,
      'GET /api/judging/crosses': { pairs: [], compared: 0 },
    });
    show(<Promising />);
    expect(await screen.findByText('Score two parents that fit')).toBeInTheDocument();
  });
});
