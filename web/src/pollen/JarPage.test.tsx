import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { lot, NOW } from '../test/samples';
import { refusal, serve, sheet, show, type Sent, type Server } from '../test/screen';
import { JarPage } from './JarPage';
import { codeIn } from './Scan';

const jar = lot({ code: 'LA-01' }, '2026-11-25T08:00:00Z');

const story: Schemas['LotStory'] = {
  lot: jar,
  hour: { celsius: 21, humidity: 64, source: 'MEASURED' },
  steps: [{ at: jar.collectedAt, kind: 'TRAY', version: 0 }],
  hazards: [],
  tests: [],
  course: [
    { at: jar.collectedAt, share: 0.85, low: 0.7, high: 0.95 },
    { at: '2026-11-25T08:00:00Z', share: 0.2, low: 0.1, high: 0.3 },
  ],
  usefulFrom: 0.21,
  lines: [
    { id: 'l1', at: NOW.toISOString(), kind: 'SPILLED', change: -2, undone: false, left: 10, note: 'wind' },
  ],
  pouredInto: [],
};

function open(more: Server = {}) {
  const sent = serve({
    'GET /api/lots/*/story': story,
    'GET /api/lots/*/serves': [
      {
        treeId: 't',
        tree: 'Pale Ridge 1',
        variety: 'Pale Ridge',
        answer: { verdict: 'YES', compatibilityFactor: 1, why: 'Another variety of the same crop.' },
        now: 4,
        most: 4,
        mostAt: NOW.toISOString(),
      },
    ],
    'GET /api/crops': [sheet],
    'GET /api/lots': [jar],
    ...more,
  });
  show(<JarPage />, { at: '/pollen/jar/LA-01', route: '/pollen/jar/:lot' });
  return sent;
}

describe('a jar’s page', () => {
  it('says what is left, how long it is good, the hour’s air, and whom it serves', async () => {
    open();
    expect(await screen.findByText('good for one more evening')).toBeVisible();
    expect(screen.getByText(/64\s% humidity in that hour/)).toBeVisible();
    expect(await screen.findByText('Pale Ridge 1')).toBeVisible();
    expect(screen.getByText('yes')).toBeVisible();
    expect(screen.getByText('−2')).toBeVisible();
  });

  it('asks before a damp jar is shut, and writes the step down after a yes', async () => {
    const sent = open({
      'PUT /api/lots/*/steps/*': (s: Sent) =>
        (s.body.confirmed as string[]).includes('LID_ON_DAMP')
          ? story
          : refusal(409, { detail: 'The pollen is not dry yet.', confirm: 'LID_ON_DAMP' }),
    });
    await userEvent.click(await screen.findByText('Add a step'));
    await userEvent.click(screen.getByText('Write it down'));
    expect(await screen.findByText('The pollen is not dry yet.')).toBeVisible();
    await userEvent.click(screen.getByText('Yes, record it'));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.body).toMatchObject({ kind: 'SEEN_DRY', confirmed: ['LID_ON_DAMP'] });
    expect(sent[0]!.path).toBe(sent[1]!.path);
  });

  it('sends a germination test field by field', async () => {
    const sent = open({ 'PUT /api/lots/*/tests/*': story });
    await userEvent.click(await screen.findByText('Enter a test'));
    await userEvent.type(screen.getByLabelText('Grains in field 1'), '40');
    await userEvent.type(screen.getByLabelText('Tubes in field 1'), '10');
    await userEvent.click(screen.getByText('One more field'));
    await userEvent.type(screen.getByLabelText('Grains in field 2'), '20');
    await userEvent.type(screen.getByLabelText('Tubes in field 2'), '8');
    expect(screen.getByText(/18 of 60: 30/)).toBeVisible();
    await userEvent.click(screen.getByText('Use it'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body.fields).toEqual([
      { grains: 40, tubes: 10 },
      { grains: 20, tubes: 8 },
    ]);
  });

  it('undoes a line of the ledger', async () => {
    const sent = open({ 'POST /api/lots/*/lines/*/undo': story });
    const row = (await screen.findByText('wind')).closest('tr')!;
    await userEvent.click(within(row).getByText('Undo'));
    await waitFor(() => expect(sent[0]!.path).toBe('/api/lots/LA-01/lines/l1/undo'));
  });
});

describe('what a scanner sends', () => {
  it('is a code, or an address that ends in one', () => {
    expect(codeIn(' LA-01\n')).toBe('LA-01');
    expect(codeIn('https://orchard.example/l/MIX-02')).toBe('MIX-02');
    expect(codeIn('')).toBe('');
  });
});
