import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { store } from '../offline/store';
import { serve, SILENCE, show } from '../test/screen';
import { Figs, nextName } from './Figs';

const fig = (name: string, nowMm: number, size: Schemas['Fig']['size']): Schemas['Fig'] => ({
  id: name,
  fig: name,
  diameterMm: nowMm,
  eye: 'LOOSENING_GREEN',
  measuredAt: '2026-11-24T02:40:00Z',
  nowMm,
  size,
  ...(size === 'TOO_SMALL' && { rightFrom: '2026-11-29T02:40:00Z', mmPerDay: 0.6 }),
  version: 0,
});
const figs: Schemas['Figs'] = {
  treeId: 't',
  tree: 'Stone Wall 1',
  rightFromMm: 12,
  lateFromMm: 28,
  right: 1,
  suspensionMl: 2.4,
  figs: [fig('Y3', 22, 'RIGHT'), fig('Y1', 9, 'TOO_SMALL'), fig('Y4', 31, 'TOO_LATE')],
};

it('lists figs in the order of the needle and takes the next measure, without a connection too', async () => {
  const sent = serve({ 'GET /api/trees/*/figs': figs, 'PUT /api/figs/*': SILENCE });
  show(<Figs />, { at: '/round/figs/t', route: '/round/figs/:tree' });
  expect(await screen.findByText('Stone Wall 1: 1 fig to inject now')).toBeVisible();
  expect(screen.getAllByRole('row').map((r) => r.dataset.size)).toEqual([
    undefined,
    'RIGHT',
    'TOO_SMALL',
    'TOO_LATE',
  ]);
  expect(screen.getByText('right from Sun 29 Nov')).toBeVisible();
  expect(screen.getByText(/These take 2.4 ml of suspension/)).toBeVisible();

  await userEvent.type(screen.getByLabelText(/Diameter/), '14.5');
  await userEvent.click(screen.getByText('Write down'));
  expect(await screen.findByText(/Fig Y1: 14.5 mm/)).toBeVisible();
  expect(sent[0]!.body).toMatchObject({ treeId: 't', fig: 'Y1', diameterMm: 14.5, eye: 'LOOSENING_GREEN' });
  await waitFor(async () => expect(await store.outbox.count()).toBe(1));
  expect(screen.getByLabelText(/^Fig/)).toHaveValue('Y2');
  await store.outbox.clear();
});

it('knows the name that likely comes next', () => {
  expect(nextName('Y9')).toBe('Y10');
  expect(nextName('north')).toBe('');
});
