import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { client } from '../api/client';
import { store } from '../offline/store';
import { fruitRow } from '../test/samples';
import { refusal, serve, show, SILENCE } from '../test/screen';
import { CheckWalk } from './CheckWalk';

const row = (
  id: string,
  treeName: string,
  flowers: number,
  part: Partial<Omit<Schemas['FruitSetRow'], 'pollination'>> = {},
) =>
  fruitRow({
    pollination: { id, treeId: `t ${treeName}`, treeName, flowers, tag: flowers === 1 ? 'K1-3' : '' },
    ...part,
  });
const list = (...rows: Schemas['FruitSetRow'][]): Schemas['FruitSet'] => ({
  today: '2026-11-24',
  due: rows.length,
  waiting: 0,
  rows,
});
const check = (body: Record<string, unknown>) => ({ id: 'c', version: 0, notFound: 0, ...body });

describe('the walk of looks', () => {
  it('counts several flowers with plus, minus and the rest, and goes on', async () => {
    const sent = serve({
      'GET /api/fruit-set': list(row('p1', 'Lantern 3', 6), row('p2', 'Lantern 2', 4)),
      'PUT /api/checks/*': (s: { body: Record<string, unknown> }) => check(s.body),
    });
    show(<CheckWalk />);
    expect(await screen.findByText('Check 1 of 2')).toBeVisible();
    expect(screen.getByText('Done').closest('button')).toBeDisabled();
    await userEvent.click(screen.getByLabelText('failed: one more'));
    await userEvent.click(screen.getByLabelText('failed: one more'));
    await userEvent.click(screen.getByLabelText('failed: one less'));
    await userEvent.click(screen.getByLabelText('set: all that are left'));
    expect(screen.getByText('6 of 6')).toBeVisible();
    await userEvent.click(screen.getByText('Done'));
    expect(await screen.findByText('Check 2 of 2')).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ pollinationId: 'p1', taken: 5, failed: 1, unknown: 0, lost: 0 });
    await userEvent.click(screen.getByText('Skip, end'));
    expect(screen.getByText('That was the last one')).toBeVisible();
    await userEvent.click(screen.getByText('Back one'));
    expect(screen.getByText('Check 2 of 2')).toBeVisible();
  });

  it('takes one tap for one tagged flower, and asks the server’s question', async () => {
    const replies: unknown[] = [
      refusal(409, { detail: 'It is day 2. Write it down all the same?', confirm: 'petals-still-on' }),
    ];
    const sent = serve({
      'GET /api/fruit-set': list(row('p1', 'Lantern 3', 1)),
      'PUT /api/checks/*': (s: { body: Record<string, unknown> }) => replies.shift() ?? check(s.body),
    });
    show(<CheckWalk />);
    expect(await screen.findByText(/K1-3/)).toBeVisible();
    await userEvent.click(screen.getByText('failed'));
    expect(await screen.findByText('It is day 2. Write it down all the same?')).toBeVisible();
    await userEvent.click(screen.getByText('Yes, record it'));
    expect(await screen.findByText('That was the last one')).toBeVisible();
    expect(sent[1]!.body).toMatchObject({ taken: 0, failed: 1, confirmed: ['petals-still-on'] });
  });

  it('counts what held last time and dropped since, and offers that only where something held', async () => {
    const sent = serve({
      'GET /api/fruit-set': list(
        row('p1', 'Lantern 3', 6, {
          checks: [
            check({
              taken: 6,
              failed: 0,
              dropped: 0,
              unknown: 0,
              thinned: 0,
              lost: 0,
            }) as unknown as Schemas['CheckView'],
          ],
        }),
        row('p2', 'Lantern 2', 4),
      ),
      'PUT /api/checks/*': (s: { body: Record<string, unknown> }) => check(s.body),
    });
    show(<CheckWalk />);
    // It begins with what was known; each one that dropped is one that had set.
    const dropped = await screen.findByLabelText('dropped: one more');
    for (let i = 0; i < 5; i++) await userEvent.click(dropped);
    await userEvent.click(screen.getByText('Done'));
    expect(await screen.findByText('Check 2 of 2')).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ taken: 1, failed: 0, dropped: 5 });
    expect(screen.queryByLabelText('dropped: one more')).toBeNull();
  });

  it('keeps a look without a signal, and shows what somebody else found meanwhile', async () => {
    let others = list(row('p1', 'Lantern 3', 1), row('p2', 'Lantern 2', 4));
    serve({ 'GET /api/fruit-set': () => others, 'PUT /api/checks/*': () => SILENCE });
    show(<CheckWalk />);
    await userEvent.click(await screen.findByText('mark gone'));
    expect(await screen.findByText('Check 2 of 2')).toBeVisible();
    const kept = await store.outbox.toArray();
    expect(kept[0]!.body).toMatchObject({ pollinationId: 'p1', lost: 1, taken: 0 });
    await store.outbox.clear();
    others = list(
      row('p2', 'Lantern 2', 4, {
        checks: [
          check({
            taken: 3,
            failed: 1,
            dropped: 0,
            unknown: 0,
            thinned: 0,
          }) as unknown as Schemas['CheckView'],
        ],
      }),
    );
    await client.invalidateQueries();
    expect(
      await screen.findByText(/Somebody has checked here already; last check: 3 set, 1 failed/),
    ).toBeVisible();
    await userEvent.click(screen.getByText('Go on'));
    expect(screen.getByText('That was the last one')).toBeVisible();
  });
});
