import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { bloomOf, bloomRow, lot } from '../test/samples';
import { refusal, serve, sheet, show, type Sent } from '../test/screen';
import { Collect } from './Collect';

const bloom = bloomOf([
  bloomRow({ treeName: 'Lantern 1', gives: 4 }),
  bloomRow({ treeName: 'Lantern 2', gives: 1 }),
  bloomRow({ treeName: 'Pale Ridge 1', varietyId: 'ridge', varietyName: 'Pale Ridge', gives: 2 }),
]);

function open(put: unknown) {
  const sent = serve({ 'GET /api/bloom': bloom, 'GET /api/crops': [sheet], 'PUT /api/lots/*': put });
  show(<Collect />);
  return sent;
}

describe('collecting pollen', () => {
  it('begins with the variety that gives most, shows its trees only and says how many doses to expect', async () => {
    const sent = open(lot({ code: 'LA-03', dosesLeft: 12 }));
    await userEvent.click(await screen.findByLabelText('flowers of Lantern 1: one more'));
    await userEvent.type(screen.getByLabelText('flowers of Lantern 2'), '2');
    expect(screen.queryByLabelText('flowers of Pale Ridge 1')).toBeNull();
    expect(screen.getByText(/about 4 from a flower, so 12 doses \(common practice\)/)).toBeVisible();
    await userEvent.click(screen.getByText('Put on the shelf'));

    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/pollen'));
    expect(sent[0]!.body).toMatchObject({
      sources: [
        { treeId: 'Lantern 1', flowers: 1 },
        { treeId: 'Lantern 2', flowers: 2 },
      ],
      storage: 'ROOM',
      confirmed: [],
    });
    expect(sent[0]!.body).not.toHaveProperty('doses');
  });

  it('opens on what a visit asks for and goes back to it', async () => {
    serve({
      'GET /api/bloom': bloom,
      'GET /api/crops': [sheet],
      'PUT /api/lots/*': lot({ code: 'PR-03', dosesLeft: 8 }),
    });
    show(<Collect />, { state: { varietyId: 'ridge', flowers: 2, doses: 7, back: '/round' } });
    expect(await screen.findByText(/The visit asks for 2 male flowers/)).toBeVisible();
    expect(screen.queryByLabelText('flowers of Lantern 1')).toBeNull();
    expect(screen.getByLabelText(/Doses wanted/)).toHaveValue('7');
    await userEvent.type(screen.getByLabelText('flowers of Pale Ridge 1'), '2');
    await userEvent.click(screen.getByText('Put on the shelf'));
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/round'));
  });

  it('asks the plain question and sends the same lot again only after a yes', async () => {
    const sent = open((s: Sent) =>
      (s.body.confirmed as string[]).includes('no-male-flowers')
        ? lot({})
        : refusal(409, {
            detail: 'Lantern 2 had no flower giving pollen. Record it all the same?',
            confirm: 'no-male-flowers',
          }),
    );
    await userEvent.click(await screen.findByLabelText('flowers of Lantern 2: one more'));
    await userEvent.click(screen.getByText('Put on the shelf'));
    await userEvent.click(await screen.findByText('No, go back'));
    expect(screen.getByLabelText('flowers of Lantern 2')).toHaveValue('1');
    await userEvent.click(screen.getByText('Put on the shelf'));
    await userEvent.click(await screen.findByText('Yes, record it'));

    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/pollen'));
    expect(new Set(sent.map((s) => s.path)).size).toBe(1);
  });
});
