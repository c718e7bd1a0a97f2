import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show, type Sent } from '../test/screen';
import { GraftForm, nextName } from './GraftForm';
import { MergeForm } from './MergeForm';
import { PlantRows, tableOf } from './PlantRows';
import { nextPlace, TreeForm } from './TreeForm';

const variety = (name: string): Schemas['VarietyView'] => ({
  id: name.toLowerCase().replace(' ', '-'),
  name,
  crop: 'cherimoya',
  breeding: {},
  numbers: {},
  version: 2,
});
const tree = (name: string, row: number, position: number): Schemas['TreeView'] => ({
  id: name,
  name,
  varietyId: 'pale-ridge',
  varietyName: 'Pale Ridge',
  crop: 'cherimoya',
  block: 'Bank',
  row,
  position,
  version: 4,
});
const VARIETIES = [variety('Lantern'), variety('Pale Ridge')];
const TREES = [tree('Pale Ridge 1', 1, 1), tree('Pale Ridge 7', 2, 3), tree('Pale Ridge b', 2, 1)];

describe('many trees at once', () => {
  it('numbers on, row by row, in a table that every reader of CSV takes', () => {
    const table = tableOf({
      variety: 'Pale "R"',
      block: 'Bank, low',
      firstRow: 3,
      rows: 2,
      firstPlace: 5,
      places: 2,
      name: 'PR',
      firstNumber: 8,
      plantedOn: '2026-08-01',
    });
    expect(table.split('\n')).toEqual([
      'name,variety,block,row_number,place,planted_on',
      '"PR 8","Pale ""R""","Bank, low","3","5","2026-08-01"',
      '"PR 9","Pale ""R""","Bank, low","3","6","2026-08-01"',
      '"PR 10","Pale ""R""","Bank, low","4","5","2026-08-01"',
      '"PR 11","Pale ""R""","Bank, low","4","6","2026-08-01"',
    ]);
  });

  it('begins in the next row of the block with the next number, and hands the table on to be looked through', async () => {
    serve({ 'GET /api/varieties': [VARIETIES[1]], 'GET /api/trees': TREES });
    show(<PlantRows />);
    expect(await screen.findByLabelText(/First row/)).toHaveValue('3');
    expect(screen.getByLabelText(/First number/)).toHaveValue('8');
    expect(screen.getByText(/Pale Ridge 8 to Pale Ridge 19/)).toBeVisible();
    await userEvent.click(screen.getByText('Look through them'));

    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/orchard/import'));
  });

  it('finds the next free place of a block and the next free name', () => {
    expect(nextPlace(TREES, 'Bank')).toEqual({ block: 'Bank', row: 2, position: 4 });
    expect(nextPlace(TREES, 'Wall')).toEqual({ block: 'Wall', row: 1, position: 1 });
    expect(nextName('Pale Ridge', TREES)).toBe('Pale Ridge 8');
    expect(nextName('Lantern', TREES)).toBe('Lantern 1');
  });
});

describe('a tree that becomes another', () => {
  it('is grafted over by its own form, under the next name of the variety', async () => {
    const sent = serve({ 'POST /api/trees/*/graft': { ...TREES[0], id: 'new', name: 'Lantern 1' } });
    const close = vi.fn();
    show(<GraftForm tree={TREES[0]!} varieties={VARIETIES} trees={TREES} close={close} />);
    await userEvent.click(screen.getByRole('combobox', { name: 'Grafted to' }));
    expect(screen.queryByRole('option', { name: 'Pale Ridge' })).toBeNull();
    await userEvent.click(await screen.findByRole('option', { name: 'Lantern' }));
    await userEvent.click(screen.getByText('Graft over'));

    await waitFor(() => expect(close).toHaveBeenCalled());
    expect(sent[0]!.path).toBe('/api/trees/Pale Ridge 1/graft'.replaceAll(' ', '%20'));
    expect(sent[0]!.body).toMatchObject({
      varietyId: 'lantern',
      name: 'Lantern 1',
      on: '2026-11-24',
      version: 4,
    });
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/orchard/tree/new'));
  });

  it('is asked about its records where only the variety is changed', async () => {
    const sent = serve({
      'PUT /api/trees/*': (s: Sent) =>
        (s.body.confirmed as string[]).includes('other-variety')
          ? TREES[0]
          : refusal(409, {
              confirm: 'other-variety',
              detail: 'Pale Ridge 1 has 2 records. Change it all the same?',
            }),
    });
    const close = vi.fn();
    show(<TreeForm editing={TREES[0]} varieties={VARIETIES} trees={TREES} close={close} />);
    await userEvent.click(await screen.findByText('Save'));
    expect(await screen.findByText(/Pale Ridge 1 has 2 records/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /yes/i }));

    await waitFor(() => expect(close).toHaveBeenCalled());
    expect(sent).toHaveLength(2);
  });
});

describe('a variety that was entered twice', () => {
  it('says what becomes of its records before it is merged', async () => {
    const sent = serve({
      'GET /api/story/variety/*/effects': {
        effects: [
          { what: 'FIRST', of: 'tree', number: 3 },
          { what: 'FIRST', of: 'jar', number: 1 },
        ],
      },
      'POST /api/varieties/*/merge': VARIETIES[0],
    });
    const close = vi.fn();
    show(<MergeForm variety={VARIETIES[1]!} varieties={VARIETIES} close={close} />);
    await userEvent.click(screen.getByRole('combobox', { name: 'It is the same as' }));
    await userEvent.click(await screen.findByRole('option', { name: 'Lantern' }));
    expect(await screen.findByText(/3 trees and 1 jar of Pale Ridge become Lantern’s/)).toBeVisible();
    await userEvent.click(screen.getByText('Make them one'));

    await waitFor(() => expect(close).toHaveBeenCalled());
    expect(sent[0]!.body).toEqual({ into: 'lantern', version: 2 });
  });
});
