import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../kit/api';
import { roundStop } from '../test/samples';
import { refusal, serve, sheet, show, type Server } from '../test/screen';
import { Walk } from './Walk';

const stop = (treeName: string, lotCode: string) =>
  roundStop(treeName, lotCode, [{ stage: 'parted', flowers: 6, receptivity: 1 }]);
const round = (stops: Schemas['RoundStop'][]): Schemas['Round'] => ({
  at: '2026-11-24T02:40:00Z',
  stops,
  unserved: [],
  done: [],
  value: 1,
  proven: true,
  cautions: ['Mind the ladder.'],
});
const done = { id: 'p', treeName: 'Pale Ridge 1', flowers: 2, version: 0 };
const answers = (
  put: unknown,
  stops = [
    stop('Pale Ridge 1', 'LA-02'),
    { ...stop('Lantern 1', 'PR-02'), cleanBefore: ['Wipe the brush.'] },
  ],
): Server => ({
  'GET /api/round': round(stops),
  'GET /api/crops': [sheet],
  'PUT /api/pollinations/*': put,
});

afterEach(() => localStorage.clear());

describe('the walk', () => {
  it('shows cautions first, then one tree at a time, and asks for a clean brush between fathers', async () => {
    const sent = serve(answers(done));
    show(<Walk />);
    expect(await screen.findByText('Mind the ladder.')).toBeVisible();
    await userEvent.click(screen.getByText('Go'));
    expect(screen.getByText('Stop 1 of 2')).toBeVisible();
    expect(screen.getByText(/with a clean brush/)).toBeVisible();
    expect(screen.getByText('Count as you go').closest('button')).toBeDisabled();
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByText('Done · 2 flowers'));

    expect(await screen.findByText('Stop 2 of 2')).toBeVisible();
    expect(screen.getByText('Wipe the brush.')).toBeVisible();
    expect(screen.queryByLabelText('one more')).toBeNull();
    await userEvent.click(screen.getByText('All clean'));
    expect(screen.getByText(/with a clean brush/)).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ treeId: 'Pale Ridge 1', lotId: 'LA-02', flowers: 2 });
    await userEvent.click(screen.getByText('Skip, end'));
    expect(screen.getByText('That was the last stop')).toBeVisible();
  });

  it('keeps the count when the jar has run out meanwhile', async () => {
    serve(
      answers(
        refusal(400, { errors: [{ field: 'flowers', message: 'need 1 dose, but none is left in LA-02.' }] }),
      ),
    );
    show(<Walk />);
    await userEvent.click(await screen.findByText('Go'));
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByText('Done · 1 flower'));
    expect(await screen.findByText('Flowers need 1 dose, but none is left in LA-02.')).toBeVisible();
    expect(screen.getByText('Stop 1 of 2')).toBeVisible();
    expect(screen.getByText('Done · 1 flower')).toBeVisible();
  });

  it('remembers the night and leaves it when the walk is left', async () => {
    serve(answers(done));
    const { unmount } = show(<Walk />);
    await userEvent.click(await screen.findByText('night'));
    expect(document.documentElement.dataset.night).toBe('on');
    unmount();
    expect(document.documentElement.dataset.night).toBeUndefined();
    show(<Walk />);
    await waitFor(() => expect(document.documentElement.dataset.night).toBe('on'));
  });

  it('says so when there is nothing to walk', async () => {
    serve(answers(done, []));
    show(<Walk />);
    expect(await screen.findByText('Nothing to walk')).toBeVisible();
  });
});
