import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { fruitRow } from '../test/samples';
import { refusal, serve, show } from '../test/screen';
import { FruitSet } from './FruitSet';

const list = (...rows: Schemas['FruitSetRow'][]): Schemas['FruitSet'] => ({
  today: '2026-11-24',
  due: rows.filter((r) => r.due?.now).length,
  waiting: 0,
  rows,
});

describe('fruit set', () => {
  it('warns of more outcomes than flowers while one counts, and shows the refusal beside the counters', async () => {
    const sent = serve({
      'GET /api/fruit-set': list(fruitRow()),
      'PUT /api/checks/*': refusal(400, {
        errors: [{ field: 'taken', message: 'together with the others makes 8.' }],
      }),
    });
    show(<FruitSet />);
    await userEvent.click(await screen.findByLabelText('Check Lantern 3'));
    expect(screen.getByText('6 flowers to look for')).toBeVisible();
    await userEvent.clear(screen.getByLabelText('set'));
    await userEvent.type(screen.getByLabelText('set'), '7');
    await userEvent.click(screen.getByLabelText('failed: one more'));
    expect(screen.getByText('2 more than the 6 flowers that were done')).toBeVisible();
    await userEvent.click(screen.getByText('Save the check'));

    expect(await screen.findByText('Set together with the others makes 8.')).toBeVisible();
    expect(screen.getByLabelText('set')).toHaveValue('7');
    expect(sent[0]!.body).toMatchObject({ pollinationId: 'p1', taken: 7, failed: 1, unknown: 0 });
  });

  it('sorts into due, to come and done', async () => {
    serve({
      'GET /api/fruit-set': list(
        fruitRow(),
        fruitRow({
          pollination: { id: 'p2' },
          due: { on: '2026-11-29', now: false, day: 7, name: 'First check', lookFor: '' },
        }),
      ),
    });
    show(<FruitSet />);
    expect(await screen.findByText(/1 check due/)).toBeVisible();
    expect(screen.getByText('Due')).toBeVisible();
    expect(screen.getByText('To come')).toBeVisible();
    expect(screen.queryByText('Every check')).toBeNull();
  });

  it('asks why where a look found failed flowers, but not of those that were to show what fails', async () => {
    const look = {
      id: 'c1',
      pollinationId: 'p1',
      checkedAt: '2026-11-23T05:00:00Z',
      ...{ taken: 4, failed: 2, dropped: 0, unknown: 0, lost: 0, thinned: 0, notFound: 0 },
      ...{ detail: {}, note: '', recordedBy: 'a', version: 0 },
    };
    serve({
      'GET /api/fruit-set': list(
        fruitRow({ checks: [look] }),
        fruitRow({ pollination: { id: 'p2', how: { treatment: 'BAGGED' } }, checks: [look] }),
      ),
    });
    show(<FruitSet />);
    expect(await screen.findAllByText(/last check: 4 set, 2 failed/)).toHaveLength(2);
    expect(screen.getByText('Why did some fail?')).toHaveAttribute(
      'href',
      '/findings/why?crop=cherimoya&kind=TREE&key=t1',
    );
  });

  it('says so when there is nothing', async () => {
    serve({ 'GET /api/fruit-set': list() });
    show(<FruitSet />);
    expect(await screen.findByText('No pollinations yet')).toBeVisible();
  });

  it('tells what failed and tries again', async () => {
    const replies: unknown[] = [refusal(500, { detail: 'That was our fault.' }), list()];
    serve({ 'GET /api/fruit-set': () => replies.shift() });
    show(<FruitSet />);
    expect(await screen.findByText('That was our fault.')).toBeVisible();
    await userEvent.click(screen.getByText('Try again'));
    expect(await screen.findByText('No pollinations yet')).toBeVisible();
  });
});
