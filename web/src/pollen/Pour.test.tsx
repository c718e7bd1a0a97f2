import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { lot } from '../test/samples';
import { refusal, serve, sheet, show, type Sent, type Server } from '../test/screen';
import { Pour } from './Pour';

const one = lot({ code: 'LA-01', id: 'l1' }, '2026-11-25T08:00:00Z');
const other = lot(
  {
    code: 'PR-02',
    id: 'l2',
    varietyName: 'Pale Ridge',
    fathers: [{ varietyId: 'ridge', varietyName: 'Pale Ridge', share: 1 }],
  },
  '2026-11-25T08:00:00Z',
);
const apple = lot({ code: 'EM-01', id: 'l3', crop: 'apple' }, '2026-11-25T08:00:00Z');
const empty = lot({ code: 'LA-09', id: 'l4', dosesLeft: 0 });

function open(more: Server = {}) {
  const sent = serve({
    'GET /api/lots': [one, other, apple, empty],
    'GET /api/crops': [sheet, { ...sheet, key: 'apple', crop: 'apple', name: 'Apple' }],
    'PUT /api/pourings/*': lot({ code: 'MIX-01', id: 'm', dosesLeft: 5 }),
    ...more,
  });
  show(<Pour lot={one} opened close={() => undefined} />, {
    at: '/pollen/jar/l1',
    route: '/pollen/jar/:lot',
  });
  return sent;
}

describe('pouring', () => {
  it('offers jars of the same crop that hold something, and names both fathers of a blend', async () => {
    const sent = open();
    expect(await screen.findByLabelText('Doses of PR-02')).toBeVisible();
    expect(screen.queryByLabelText('Doses of EM-01')).toBeNull();
    expect(screen.queryByLabelText('Doses of LA-09')).toBeNull();
    await userEvent.type(screen.getByLabelText('Doses of LA-01'), '3');
    expect(screen.queryByText(/A blend of/)).toBeNull();
    await userEvent.type(screen.getByLabelText('Doses of PR-02'), '2');
    expect(screen.getByText(/A blend of Lantern and Pale Ridge/)).toBeVisible();
    await userEvent.click(screen.getByText('Pour 5 doses into a new jar'));
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/pollen/jar/m'));
    expect(sent[0]!.body).toMatchObject({
      parts: [
        { lotId: 'l1', doses: 3 },
        { lotId: 'l2', doses: 2 },
      ],
      storage: 'ROOM',
    });
  });

  it('keeps what was typed when a jar holds less by now', async () => {
    open({
      'PUT /api/pourings/*': refusal(400, {
        errors: [{ field: 'parts', message: 'need 3 doses, but only 1 left in LA-01.' }],
      }),
    });
    await userEvent.type(await screen.findByLabelText('Doses of LA-01'), '3');
    await userEvent.click(screen.getByText('Pour 3 doses into a new jar'));
    expect(await screen.findByText(/only 1 left in LA-01/)).toBeVisible();
    expect(screen.getByLabelText('Doses of LA-01')).toHaveValue('3');
  });

  it('asks before damp pollen is shut, and pours after a yes', async () => {
    const sent = open({
      'PUT /api/pourings/*': (s: Sent) =>
        (s.body.confirmed as string[]).length > 0
          ? lot({ code: 'LA-10', id: 'n' })
          : refusal(409, { detail: 'It is damp. Write it down all the same?', confirm: 'DAMP_SHUT' }),
    });
    await userEvent.type(await screen.findByLabelText('Doses of LA-01'), '1');
    await userEvent.click(screen.getByText('Pour 1 dose into a new jar'));
    expect(await screen.findByText(/It is damp/)).toBeVisible();
    await userEvent.click(screen.getByText(/^Yes/));
    await waitFor(() => expect(sent.at(-1)!.body.confirmed).toEqual(['DAMP_SHUT']));
  });
});
