import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { lot } from '../test/samples';
import { refusal, serve, sheet, show } from '../test/screen';
import { FromElsewhere } from './FromElsewhere';

function open(put: unknown) {
  const sent = serve({
    'GET /api/varieties': [
      { id: 'lantern', name: 'Lantern', crop: sheet.key, breeding: {}, numbers: {}, version: 0 },
    ],
    'GET /api/crops': [sheet],
    'PUT /api/lots/*/received': put,
  });
  show(<FromElsewhere />);
  return sent;
}

async function fill() {
  await userEvent.click(await screen.findByRole('combobox', { name: 'Father' }));
  await userEvent.click(await screen.findByRole('option', { name: 'Lantern' }));
  await userEvent.type(screen.getByLabelText('From'), 'Long Reach');
  await userEvent.type(screen.getByLabelText('Doses'), '20');
}

describe('pollen from elsewhere', () => {
  it('puts a jar on the shelf of which nothing is known, and says what that means', async () => {
    const sent = open(lot({ id: 'new', code: 'LA-04', dosesLeft: 20 }));
    await fill();
    expect(screen.getByText(/The less is known, the wider its figures/)).toBeVisible();
    await userEvent.click(screen.getByText('Put on the shelf'));

    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/pollen/jar/new'));
    expect(sent[0]!.body).toMatchObject({
      varietyId: 'lantern',
      how: 'BOUGHT',
      from: 'Long Reach',
      doses: 20,
      dry: true,
    });
    expect(sent[0]!.body).not.toHaveProperty('collectedAt');
    expect(sent[0]!.body).not.toHaveProperty('statedAlive');
  });

  it('sends what is known and keeps it when the server refuses', async () => {
    const sent = open(
      refusal(400, {
        errors: [{ field: 'collectedAt', message: 'is after the pollen came; it was collected before.' }],
      }),
    );
    await fill();
    await userEvent.type(await screen.findByLabelText('Collected on'), '25/11/2026');
    await userEvent.type(screen.getByLabelText('Stated to be alive'), '60');
    await userEvent.click(screen.getByText('Put on the shelf'));

    expect(await screen.findByText(/is after the pollen came/)).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ statedAlive: 0.6, collectedAt: '2026-11-24T23:00:00.000Z' });
    expect(screen.getByLabelText('From')).toHaveValue('Long Reach');
  });
});
