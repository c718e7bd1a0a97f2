import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { refusal, serve, show, type Sent } from '../test/screen';
import { bloomOf } from '../test/samples';
import { FirstDay } from './FirstDay';
import { Today } from './Today';

const CROPS = [
  { key: 'cherimoya', name: 'Cherimoya' },
  { key: 'apple', name: 'Apple' },
];

function treesOf(sent: Sent[]) {
  const name = (id: string) => sent.find((s) => s.path === `/api/varieties/${id}`)!.body['name'] as string;
  const trees = new Map<string, unknown>();
  for (const s of sent.filter((s) => s.path.startsWith('/api/trees/')))
    trees.set(s.path.slice('/api/trees/'.length), {
      ...s.body,
      id: s.path.slice('/api/trees/'.length),
      varietyName: name(s.body['varietyId'] as string),
    });
  return [...trees.values()];
}

describe('the first day', () => {
  it('adds a variety with its trees, keeps what is typed when the line breaks, and doubles nothing', async () => {
    let broken = true;
    const sent: Sent[] = serve({
      'GET /api/crops': CROPS,
      'GET /api/trees': () => treesOf(sent),
      'PUT /api/varieties/*': {},
      'PUT /api/trees/*': (s: Sent) =>
        broken && s.body['position'] === 2
          ? refusal(503, { detail: 'The database is away; try again.', status: 503 })
          : {},
    });
    show(<FirstDay />);
    await userEvent.click(await screen.findByRole('combobox', { name: 'Crop' }));
    await userEvent.click(await screen.findByRole('option', { name: 'Cherimoya' }));
    await userEvent.type(screen.getByLabelText('Variety'), 'Slate');
    await userEvent.click(screen.getByText('Add them'));
    expect(await screen.findByText('The database is away; try again.')).toBeVisible();
    expect(screen.getByLabelText('Variety')).toHaveValue('Slate');

    broken = false;
    await userEvent.click(screen.getByText('Add them'));
    expect((await screen.findByText('Read Slate 3')).closest('a')).toHaveAttribute(
      'href',
      expect.stringContaining('/bloom/read/'),
    );
    expect(screen.getByText('Slate').parentElement).toHaveTextContent('Slate: 3 trees');
    await waitFor(() => expect(screen.getByLabelText('Variety')).toHaveValue(''));
    expect(new Set(sent.map((s) => s.path)).size).toBe(1 + 3);
    expect(sent.at(-1)!.body).toMatchObject({ name: 'Slate 3', row: 1, position: 3 });
  });

  it('puts a second variety in the row behind', async () => {
    const sent = serve({
      'GET /api/crops': CROPS,
      'GET /api/trees': [{ id: 't', name: 'Old 1', varietyName: 'Old', row: 4, position: 2 }],
      'PUT /api/varieties/*': {},
      'PUT /api/trees/*': {},
    });
    show(<FirstDay />);
    await userEvent.click(await screen.findByRole('combobox', { name: 'Crop' }));
    await userEvent.click(await screen.findByRole('option', { name: 'Apple' }));
    await userEvent.type(screen.getByLabelText('Variety'), 'Slate');
    await userEvent.clear(screen.getByLabelText('Trees of it'));
    await userEvent.type(screen.getByLabelText('Trees of it'), '1');
    await userEvent.click(screen.getByText('Add them'));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.body).toMatchObject({ name: 'Slate 1', row: 5, position: 1 });
  });

  it.each([
    ['until a flower was read', false],
    ['where all trees that were read are gone', true],
  ])('is what Today shows %s', async (_, everRead) => {
    serve({
      'GET /api/bloom': { ...bloomOf([]), everRead },
      'GET /api/plan': {},
      'GET /api/trees': [],
      'GET /api/crops': CROPS,
    });
    show(<Today />);
    expect(await screen.findByRole('heading', { name: 'Three steps to tonight’s plan' })).toBeVisible();
  });
});
