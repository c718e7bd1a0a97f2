import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { serve, show, type Sent } from '../test/screen';
import { ManyCrosses } from './ManyCrosses';

const party = (varietyId: string, name: string, trees: number): Schemas['MatesParty'] => ({
  varietyId,
  name,
  crop: 'apple',
  trees,
  doses: 0,
  alleles: '',
});
const parties = [party('e', 'Ember', 2), party('h', 'Harrow', 0), party('w', 'Wick', 1)];
const row = (part: Partial<Schemas['CrossOfTable']>): Schemas['CrossOfTable'] => ({
  motherId: 'e',
  mother: 'Ember',
  trees: 2,
  fatherId: 'h',
  father: 'Harrow',
  verdict: 'YES',
  why: 'No S allele is rejected.',
  kind: 'FRESH',
  motherFrom: '2026-10-10',
  motherUntil: '2026-10-20',
  freshFrom: '2026-10-12',
  freshUntil: '2026-10-18',
  keepDays: 0,
  doses: 20,
  possible: true,
  meant: true,
  ...part,
});

function open() {
  const sent = serve({
    'GET /api/mates': {
      groups: [
        { name: 'Apple', mothers: parties, fathers: parties, cells: ['NYY', 'YNY', 'YYN'], doubts: [] },
      ],
    },
    'GET /api/crosses': { controlledCrosses: [], wanted: [] },
    'POST /api/mates/many': (s: Sent) => {
      const out = (s.body.leftOut as unknown[]).length;
      return {
        pairs: 2,
        fit: 2,
        meant: 2 - out,
        rows: [
          row({ meant: out === 0 }),
          row({ motherId: 'w', mother: 'Wick', kind: 'KEEP', keepDays: 12, doses: 31 }),
        ],
        fathers: [
          {
            fatherId: 'h',
            father: 'Harrow',
            crosses: 2 - out,
            flowers: 40,
            doses: 51,
            stored: 0,
            maleFlowers: 17,
          },
        ],
      };
    },
    'POST /api/cross-requests': { written: 1 },
  });
  show(<ManyCrosses />, { at: '/mates/many?fathers=h', route: '/mates/many' });
  return sent;
}

describe('many crosses', () => {
  it('begins with all mothers that have a tree, and says when, by which pollen, and what all of it takes', async () => {
    const sent = open();
    expect(await screen.findByText('2 mothers × 1 father: 2 of 2 fit')).toBeVisible();
    expect(sent[0]!.body).toMatchObject({ mothers: ['e', 'w'], fathers: ['h'], flowers: 20 });
    expect(screen.getByText(/fresh, Mon 12 Oct to Sun 18 Oct/)).toBeVisible();
    expect(screen.getByText('stored 12 days')).toBeVisible();
    const sums = screen.getByText('Male flowers to collect in all').closest('table')!;
    expect(within(sums).getByText('17')).toBeVisible();
  });

  it('leaves out what is turned off, and writes the others down at one stroke', async () => {
    const sent = open();
    await userEvent.click(await screen.findByLabelText('Harrow on Ember'));
    await userEvent.click(await screen.findByText('Begin 1 cross'));

    await waitFor(() => expect(sent.some((s) => s.path === '/api/cross-requests')).toBe(true));
    const written = sent.find((s) => s.path === '/api/cross-requests')!.body.crosses as object[];
    expect(written).toHaveLength(1);
    expect(written[0]).toMatchObject({ motherId: 'w', fatherId: 'h', flowers: 20 });
  });
});
