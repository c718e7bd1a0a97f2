import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, sheet, show, type Server } from '../test/screen';
import type { Schemas } from '../api/api';
import { VarietyForm } from './VarietyForm';

const apple = {
  ...sheet,
  key: 'apple',
  crop: 'apple',
  name: 'Apple',
  pollenGroup: 'apple',
  allelesDecide: true,
};
const ember: Schemas['VarietyView'] = {
  id: 'e',
  crop: 'apple',
  name: 'Ember',
  breeding: { alleles: 'S2 S5' },
  numbers: {},
  version: 4,
};

function open(more: Server = {}, editing?: Schemas['VarietyView']) {
  const sent = serve({
    'GET /api/crops': [sheet, apple],
    'GET /api/varieties': [ember],
    'PUT /api/varieties/*': ember,
    ...more,
  });
  show(<VarietyForm opened close={() => undefined} editing={editing} />);
  return sent;
}

describe('a variety', () => {
  it('is of the crop that is grown most, unless another is chosen', async () => {
    const sent = open();
    await userEvent.type(await screen.findByLabelText('Name'), 'Harrow');
    await waitFor(() => expect(screen.getByDisplayValue('Apple')).toBeVisible());
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(sent[0]?.body).toMatchObject({ name: 'Harrow', crop: 'apple' }));
    expect(sent[0]!.body.version).toBeUndefined();
  });

  it('keeps its breeding and its version when it is changed', async () => {
    const sent = open({}, ember);
    expect(await screen.findByDisplayValue('S2 S5')).toBeVisible();
    await userEvent.clear(screen.getByDisplayValue('S2 S5'));
    await userEvent.type(screen.getByLabelText(/^S alleles/), 'S2 S9');
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(sent[0]?.body).toMatchObject({ version: 4, breeding: { alleles: 'S2 S9' } }));
  });

  it('says beside the field when alleles do not fit the ploidy, and keeps what was typed', async () => {
    open(
      {
        'PUT /api/varieties/*': refusal(400, {
          errors: [
            {
              field: 'alleles',
              message: 'are 3 (S2 S5 S7), but a variety with 2 sets of chromosomes has 2.',
            },
          ],
        }),
      },
      ember,
    );
    await userEvent.type(await screen.findByDisplayValue('S2 S5'), ' S7');
    await userEvent.click(screen.getByText('Save'));
    expect(await screen.findByText(/are 3 \(S2 S5 S7\)/)).toBeVisible();
    expect(screen.getByDisplayValue('S2 S5 S7')).toBeVisible();
  });

  it('keeps numbers of its own as shares of one, with where they come from', async () => {
    const sent = open({}, ember);
    await userEvent.click(await screen.findByText(/^Its own numbers/));
    await userEvent.type(screen.getByLabelText('Pollinated flowers that set and stay'), '62.5');
    await userEvent.type(screen.getByLabelText('Own pollen serves'), '0');
    await userEvent.type(screen.getByLabelText('Development against the sheet'), '1.1');
    await userEvent.type(screen.getByLabelText('Where these come from'), 'own records');
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() =>
      expect(sent[0]?.body.numbers).toEqual({
        setShare: 0.625,
        ownPollen: 0,
        developmentRate: 1.1,
        source: 'own records',
      }),
    );
  });

  it('shows numbers it has as they were typed, and takes one back when its field is emptied', async () => {
    const sent = open({}, { ...ember, numbers: { setShare: 0.625, dosesPerFlower: 3 } });
    const share = await screen.findByDisplayValue('62.5 %');
    expect(screen.getByDisplayValue('3')).toBeVisible();
    await userEvent.clear(share);
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(sent[0]?.body.numbers).toEqual({ dosesPerFlower: 3 }));
  });

  it('says beside the number what is wrong with it', async () => {
    open(
      {
        'PUT /api/varieties/*': refusal(400, {
          errors: [{ field: 'developmentRate', message: 'is 4; allowed is 0.5 to 2.' }],
        }),
      },
      { ...ember, numbers: { developmentRate: 4 } },
    );
    expect(await screen.findByDisplayValue('4')).toBeVisible();
    await userEvent.click(screen.getByText('Save'));
    expect(await screen.findByText(/is 4; allowed is 0.5 to 2/)).toBeVisible();
    expect(screen.getByDisplayValue('4')).toBeVisible();
  });
});
