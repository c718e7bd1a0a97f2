import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, show, SILENCE, type Server } from '../test/screen';
import { CalendarCard } from './CalendarCard';
import { DoneList } from '../pollination/DoneList';

const phone = { id: 'f1', name: 'my phone', version: 2 };

function open(more: Server = {}) {
  const sent = serve({ 'GET /api/calendars': [phone], ...more });
  show(<CalendarCard />);
  return sent;
}

describe('addresses for calendars', () => {
  it('are told whole, once, and the name is free for the next', async () => {
    const sent = open({
      'PUT /api/calendars/*': { id: 'f2', name: 'kitchen', version: 0, path: '/api/feeds/k-3.ics' },
    });
    expect(await screen.findByText('my phone')).toBeVisible();
    expect(screen.queryByText(/told this once/)).toBeNull();
    await userEvent.type(screen.getByLabelText('A name to know it by'), 'kitchen');
    await userEvent.click(screen.getByText('Make an address'));
    expect(await screen.findByText(`${window.location.origin}/api/feeds/k-3.ics`)).toBeVisible();
    expect(screen.getByLabelText('A name to know it by')).toHaveValue('');
    expect(sent).toHaveLength(1);
    expect(sent[0]!.body).toEqual({ name: 'kitchen' });
  });

  it('keep a refused name in its field and say what is wrong with it', async () => {
    open({
      'PUT /api/calendars/*': refusal(400, { errors: [{ field: 'name', message: 'must be 1 to 60 long.' }] }),
    });
    await userEvent.type(await screen.findByLabelText('A name to know it by'), 'x');
    await userEvent.click(screen.getByText('Make an address'));
    expect(await screen.findByText(/must be 1 to 60 long/)).toBeVisible();
    expect(screen.getByLabelText('A name to know it by')).toHaveValue('x');
    expect(screen.queryByText(/told this once/)).toBeNull();
  });

  it('are stopped by their own version, and a stop that did not arrive is said', async () => {
    let answers: unknown = SILENCE;
    const sent = open({ 'POST /api/calendars/f1/void': () => answers });
    await userEvent.click(await screen.findByText('Stop it'));
    expect(await screen.findByRole('alert')).toBeVisible();
    expect(screen.getByText('my phone')).toBeVisible();
    answers = null;
    await userEvent.click(screen.getByText('Stop it'));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    expect(sent.map((s) => s.body.version)).toEqual([2, 2]);
  });
});

describe('what was done lately', () => {
  const done = {
    id: 'p1',
    treeId: 't1',
    treeName: 'Lantern 1',
    lotId: 'l1',
    lotCode: 'PR-02',
    pollenParent: 'Pale Ridge',
    flowers: 3,
    mark: 'tag 12',
    doneAt: '2026-11-24T02:30:00Z',
    version: 1,
  } as unknown as Schemas['PollinationView'];

  it('is counted, names flowers, jar and mark, and each line is taken back by itself', async () => {
    const sent = serve({ 'POST /api/pollinations/*/void': null });
    show(<DoneList done={[done, { ...done, id: 'p2', treeName: 'Lantern 2', flowers: 4 }]} />);
    expect(screen.getByText('Done in the last 12 hours: 7 flowers')).toBeVisible();
    expect(screen.getByText(/4 flowers with PR-02 Pale Ridge/)).toHaveTextContent('tag 12');
    await userEvent.click(screen.getByLabelText('Undo Lantern 2'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.path).toBe('/api/pollinations/p2/void');
    expect(sent[0]!.body.version).toBe(1);
  });

  it('shows nothing where nothing was done', () => {
    serve({});
    show(<DoneList done={[]} />);
    expect(screen.queryByText(/Done in/)).toBeNull();
  });
});
