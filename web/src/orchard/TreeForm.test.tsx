import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show } from '../test/screen';
import { TreeForm } from './TreeForm';

const lantern: Schemas['VarietyView'] = {
  id: 'v',
  crop: 'cherimoya',
  name: 'Lantern',
  breeding: {},
  numbers: {},
  version: 0,
};
const tree: Schemas['TreeView'] = {
  id: 't',
  name: 'Lantern 3',
  varietyId: 'v',
  varietyName: 'Lantern',
  crop: 'cherimoya',
  block: 'Bank',
  row: 2,
  position: 7,
  plantedOn: '2017-09-01',
  version: 5,
};

function open(editing: Schemas['TreeView'] | 'new', put: unknown = tree) {
  const sent = serve({ 'PUT /api/trees/*': put });
  const close = vi.fn();
  show(<TreeForm editing={editing} varieties={[lantern]} trees={[tree]} close={close} />);
  return { sent, close };
}

describe('a tree', () => {
  it('begins at the next place of the row that was typed in last', async () => {
    const { sent, close } = open('new');
    expect(await screen.findByRole('combobox', { name: 'Block' })).toHaveValue('Bank');
    expect(screen.getByLabelText('Place in the row')).toHaveValue('8');
    await userEvent.type(screen.getByLabelText('Name'), 'Lantern 4');
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(close).toHaveBeenCalled());
    expect(sent[0]!.body).toEqual({
      varietyId: 'v',
      name: 'Lantern 4',
      block: 'Bank',
      row: 2,
      position: 8,
      confirmed: [],
    });
  });

  it('is changed under its version', async () => {
    const { sent } = open(tree);
    await userEvent.clear(await screen.findByRole('combobox', { name: 'Block' }));
    await userEvent.type(screen.getByRole('combobox', { name: 'Block' }), 'Tunnel');
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() =>
      expect(sent[0]?.body).toMatchObject({ block: 'Tunnel', plantedOn: '2017-09-01', version: 5 }),
    );
    expect(sent[0]!.path).toBe('/api/trees/t');
  });

  it('stays open with what was typed when it is refused', async () => {
    const { close } = open(
      tree,
      refusal(409, { detail: 'Somebody else changed this tree in the meantime. Load it again.' }),
    );
    await userEvent.type(await screen.findByLabelText('Name'), ' b');
    await userEvent.click(screen.getByText('Save'));
    expect(await screen.findByText(/Somebody else changed this tree/)).toBeVisible();
    expect(screen.getByLabelText('Name')).toHaveValue('Lantern 3 b');
    expect(close).not.toHaveBeenCalled();
  });
});
