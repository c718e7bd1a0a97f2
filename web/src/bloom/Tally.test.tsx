import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { send } from '../offline/outbox';
import { refusal, serve, sheet, show, SILENCE, tree, type Server } from '../test/screen';
import { Tally } from './Tally';

const before = {
  id: 'r0',
  treeId: 't1',
  takenAt: '2026-11-23T03:00:00Z',
  counts: { parted: 7 },
  flowers: 7,
  note: '',
  limb: '',
  share: 1,
  version: 0,
};
const saved = { ...before, id: 'r1', flowers: 3 };
const answers = (put: unknown): Server => ({
  'GET /api/trees': [tree('t1', 'Lantern 1'), tree('t2', 'Lantern 2')],
  'GET /api/crops': [sheet],
  'GET /api/trees/*/readings': [before],
  'PUT /api/readings/*': put,
  'POST /api/readings/*/void': null,
});

async function open(put: unknown = saved) {
  const sent = serve(answers(put));
  show(<Tally />, { at: '/bloom/read/t1', route: '/bloom/read/:tree' });
  await screen.findByText('Tips parted');
  return sent;
}

describe('reading a tree', () => {
  it('counts with taps and number keys, undoes, and sends what was counted', async () => {
    const sent = await open();
    expect(screen.getByText('last 7')).toBeVisible();
    await userEvent.click(screen.getByLabelText(/^Tips parted: 0/));
    await userEvent.keyboard('2233');
    await userEvent.keyboard('{Backspace}');
    await userEvent.click(screen.getByLabelText('Tips parted: one less'));
    await userEvent.click(screen.getByText('Undo'));
    await userEvent.click(screen.getByText('Save · 4'));

    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/bloom'));
    expect(sent).toHaveLength(1);
    expect(sent[0]!.body).toMatchObject({
      treeId: 't1',
      takenAt: '2026-11-24T02:40:00.000Z',
      counts: { parted: 3, shedding: 1 },
    });
    expect(sent[0]!.path).toMatch(/^\/api\/readings\/[0-9a-f]{8}-[0-9a-f]{4}-7/);
  });

  it('goes on to the next tree in the row', async () => {
    await open();
    await userEvent.keyboard('1');
    await userEvent.click(screen.getByText('Save, next'));
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/bloom/read/t2'));
  });

  it('shows a refused time beside its field and keeps the count', async () => {
    await open(refusal(400, { errors: [{ field: 'takenAt', message: 'lies in the future: …' }] }));
    await userEvent.keyboard('22{Enter}');
    expect(await screen.findByText('Time lies in the future: …')).toBeVisible();
    expect(screen.getByLabelText('When you looked')).toBeVisible();
    expect(screen.getByText('Save · 2')).toBeVisible();
  });

  it('keeps the reading on the device when there is no network, and sends the same one once there is', async () => {
    const replies: unknown[] = [SILENCE, SILENCE, saved];
    const sent = await open(() => replies.shift());
    await userEvent.keyboard('22');
    await userEvent.click(screen.getByText('Save · 2'));
    expect(await screen.findByText(/Lantern 1: 2 flowers read. Kept on this device/)).toBeVisible();
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/bloom'));
    await waitFor(() => expect(sent).toHaveLength(2));

    await send();
    expect(sent).toHaveLength(3);
    expect(new Set(sent.map((s) => s.path)).size).toBe(1);
    expect(sent[2]!.body).toMatchObject({ treeId: sent[0]!.body.treeId, counts: { parted: 2 } });
  });

  it('offers to undo what was just saved', async () => {
    const sent = await open();
    await userEvent.keyboard('2{Enter}');
    await screen.findByText('Lantern 1: 3 flowers written down.');
    await waitFor(() => expect(screen.queryByText(/^Save ·/)).toBeNull());
    await userEvent.click(screen.getByText('Undo'));
    expect(await screen.findByText('Undone.')).toBeVisible();
    expect(sent.at(-1)).toMatchObject({ path: '/api/readings/r1/void', body: { version: 0 } });
  });

  it('starts from last time, and scales a count of a quarter of a limb', async () => {
    const sent = await open();
    await userEvent.click(screen.getByText('Same as last time, plus…'));
    await userEvent.keyboard('2');
    await userEvent.click(screen.getByText(/whole tree/));
    await userEvent.click(screen.getByText('a quarter'));
    await userEvent.type(screen.getByPlaceholderText('whole tree'), 'east');
    await userEvent.click(screen.getByText('Save · 8'));

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ counts: { parted: 8 }, limb: 'east', share: 0.25 });
  });

  it('keeps the tally while one asks the key, and forgets it once it is saved', async () => {
    await open();
    await userEvent.keyboard('22');
    cleanup();
    show(<Tally />, { at: '/bloom/read/t1', route: '/bloom/read/:tree' });
    await userEvent.click(await screen.findByText('Save · 2'));
    await waitFor(() => expect(sessionStorage.length).toBe(0));
  });

  it('says when a reading does not fit the one before, and that it counts', async () => {
    await open({ ...saved, surpriseStage: 'shedding', surpriseExpected: 2.2 });
    await userEvent.keyboard('3');
    await userEvent.click(screen.getByText('Save · 1'));
    expect(await screen.findByText(/about 2 dome loose, dust. Yours counts/)).toBeVisible();
  });
});
