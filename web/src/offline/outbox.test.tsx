import { QueryObserver } from '@tanstack/react-query';
import { renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Kept } from '../account/Kept';
import { refusal, serve, SILENCE, show } from '../test/screen';
import { client } from '../api/client';
import { OutOfReach } from '../api/problem';
import { keepAnswers, minutesBehind, restoreAnswers } from './kept-answers';
import { KeptLine } from './KeptLine';
import { keep, send } from './outbox';
import { store } from './store';

const reading = (id: string, account = 'a') =>
  keep({ method: 'PUT', path: `/api/readings/${id}`, body: { treeId: id }, label: `Reading ${id}`, account });

beforeEach(async () => {
  await store.outbox.clear();
  await store.answers.clear();
});

describe('what waits on this device', () => {
  it('is sent in order, each once, and stops where the connection stops', async () => {
    let answering = 0;
    const sent = serve({ 'PUT /api/readings/*': () => (answering-- > 0 ? {} : SILENCE) });
    show(null);
    await reading('r1');
    await reading('r2');
    await reading('r3');
    await send();
    expect(await store.outbox.count()).toBe(3);
    sent.length = 0;

    answering = 2;
    await send();
    expect(sent.map((s) => s.path)).toEqual(['/api/readings/r1', '/api/readings/r2', '/api/readings/r3']);
    expect((await store.outbox.toArray()).map((w) => w.path)).toEqual(['/api/readings/r3']);

    answering = 5;
    sent.length = 0;
    await Promise.all([send(), send(), send()]);
    await waitFor(async () => expect(await store.outbox.count()).toBe(0));
    expect(sent.map((s) => s.path)).toEqual(['/api/readings/r3']);
  });

  it('waits through a server that is down or starting, and leaves others’ records alone', async () => {
    serve({ 'PUT /api/readings/*': refusal(503, {}) });
    show(null);
    await reading('r1');
    await reading('r2', 'somebody else');
    await send();
    expect((await store.outbox.toArray()).every((w) => w.refused === undefined)).toBe(true);

    const sent = serve({ 'PUT /api/readings/*': {} });
    await send();
    expect(sent.map((s) => s.path)).toEqual(['/api/readings/r1']);
    expect(await store.outbox.count()).toBe(1);
  });

  it('shows a refusal to a person, lets the rest go on, and drops nothing by itself', async () => {
    const sent = serve({
      'PUT /api/readings/r1': refusal(400, {
        errors: [{ field: 'takenAt', message: 'lies in the future.' }],
      }),
      'PUT /api/readings/r2': {},
    });
    show(<Kept />);
    await reading('r1');
    await reading('r2');
    await send();
    expect(await screen.findByText(/takenAt lies in the future/)).toBeVisible();
    expect(await screen.findByText('1 record refused, 0 waiting')).toBeVisible();
    expect(sent.map((s) => s.path)).toEqual(['/api/readings/r1', '/api/readings/r2']);

    await userEvent.click(screen.getByText('Throw away'));
    expect(await store.outbox.count()).toBe(1);
    await userEvent.click(screen.getByText('Yes, throw it away'));
    expect(await screen.findByText('Everything is sent')).toBeVisible();
  });

  it('asks a plain question later and sends the answer along', async () => {
    const sent = serve({
      'PUT /api/readings/r1': (s: { body: { confirmed?: string[] } }) =>
        s.body.confirmed
          ? {}
          : refusal(409, { detail: 'Nobody read it. All the same?', confirm: 'no-males' }),
    });
    show(<Kept />);
    await reading('r1');
    await userEvent.click(await screen.findByText('Yes, send it all the same'));
    expect(await screen.findByText('Everything is sent')).toBeVisible();
    expect(sent.at(-1)!.body.confirmed).toEqual(['no-males']);
  });
});

describe('after a reload', () => {
  it('what waits is known before the first screen is drawn', async () => {
    serve({ 'PUT /api/readings/r1': SILENCE });
    await reading('r1');
    vi.resetModules();
    const { outboxRead, useOutbox } = await import('./outbox');
    await outboxRead;
    const drawn: number[] = [];
    renderHook(() => drawn.push(useOutbox().length));
    expect(drawn[0]).toBe(1);
  });
});

describe('kept answers', () => {
  it('are there again after a reload, and only those that are of use under a tree', async () => {
    keepAnswers(client);
    client.setQueryData(['crops'], [{ key: 'cherimoya' }]);
    client.setQueryData(['season'], { year: 2026 });
    await waitFor(async () => expect(await store.answers.count()).toBe(1));
    client.clear();
    await restoreAnswers(client);
    expect(client.getQueryData(['crops'])).toEqual([{ key: 'cherimoya' }]);
    expect(client.getQueryData(['season'])).toBeUndefined();

    expect(client.getQueryState(['crops'])?.isInvalidated, 'asked for anew').toBe(true);

    const [kept] = await store.answers.toArray();
    await store.answers.put({ ...kept!, state: { ...(kept!.state as object), shape: 1 } });
    client.clear();
    await restoreAnswers(client);
    expect(client.getQueryData(['crops']), 'kept by an older page').toBeUndefined();
  });

  it('say how old they are while they cannot be asked for anew', async () => {
    let connected = false;
    show(
      <>
        <KeptLine />
        <KeptLine short />
      </>,
    );
    const trees = new QueryObserver(client, {
      queryKey: ['trees'],
      queryFn: () => (connected ? Promise.resolve([]) : Promise.reject(new OutOfReach())),
      retry: false,
    });
    client.setQueryData(['trees'], [], { updatedAt: Date.now() - 12.5 * 60_000 });
    expect(minutesBehind(client), 'nobody looks at them').toBeUndefined();
    const leave = trees.subscribe(() => {});
    await waitFor(() => expect(minutesBehind(client)).toBe(12));
    expect(await screen.findByText('No connection: shown as it was 12 minutes ago')).toBeVisible();
    expect(screen.getByText(/^offline, 12 min/)).toBeVisible();
    connected = true;
    await trees.refetch();
    expect(minutesBehind(client), 'there again').toBeUndefined();
    leave();
  });
});
