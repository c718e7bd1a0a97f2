import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { serve, show } from '../test/screen';
import { combinationWords, MOST_SHOWN, named, shown } from './mate-words';
import { Mates } from './Mates';
import { CrossRequests } from './CrossRequests';

const party = (varietyId: string, name: string): Schemas['MatesParty'] => ({
  varietyId,
  name,
  crop: 'apple',
  trees: 1,
  doses: 0,
  alleles: 'S1 S2',
});
const parties = [party('e', 'Ember'), party('h', 'Harrow')];
const yes = { verdict: 'YES' as const, compatibilityFactor: 1, why: 'No S allele is rejected.' };
const no = { verdict: 'NO' as const, compatibilityFactor: 0, why: 'Both S alleles are shared.' };

const pair: Schemas['MatesPair'] = {
  motherId: 'e',
  mother: 'Ember',
  fatherId: 'h',
  father: 'Harrow',
  answer: yes,
  reciprocal: no,
  inbreeding: 0.125,
  kin: 'Seedlings would be inbred by 12.5 %.',
  bloom: { kind: 'KEEP', keepDays: 12 },
  flowers: 40,
  taken: 18,
  jars: [],
};

describe('a large matrix', () => {
  const many = Array.from({ length: 700 }, (_, i) => ({
    ...party(`v${i}`, `V${i}`),
    trees: i === 650 ? 3 : 0,
  }));

  it('draws no more than can be looked at, what is grown here first, and keeps each one at its place', () => {
    const first = shown(named(many, ''));
    expect(first).toHaveLength(MOST_SHOWN);
    expect(first[0]).toMatchObject({ at: 650, party: { name: 'V650' } });
    expect(first[1]).toMatchObject({ at: 0 });
  });

  it('shows what is named', () => {
    expect(shown(named(many, 'v69, V100')).map((s) => s.at)).toEqual([
      69, 100, 690, 691, 692, 693, 694, 695, 696, 697, 698, 699,
    ]);
    expect(shown(named(many, 'nobody'))).toEqual([]);
  });
});

describe('combinations of any two sets', () => {
  it('count what fits, wholly or in part', () => {
    const group = { name: 'Apple', mothers: parties, fathers: parties, cells: ['YN', 'PU'], doubts: [] };
    expect(combinationWords(group, named(parties, ''), named(parties, ''))).toBe(
      '2 mothers × 2 fathers: 2 fit',
    );
    expect(combinationWords(group, named(parties, 'ember'), named(parties, 'harrow'))).toBe(
      '1 mother × 1 father: 0 fit',
    );
  });
});

describe('mates', () => {
  it('answers a pressed cell with its reason, the reciprocal, kin, bloom and results, and plans the cross', async () => {
    const sent = serve({
      'GET /api/mates': {
        groups: [
          {
            name: 'Apple',
            mothers: parties,
            fathers: parties,
            cells: ['NY', 'NU'],
            doubts: ['Harrow (S7 S9) cannot be a seedling of Ember (S1 S2).'],
          },
        ],
      },
      'GET /api/mates/pair': pair,
      'GET /api/trees': [],
      'PUT /api/cross-requests/*': { mother: 'Ember', father: 'Harrow', version: 0 },
    });
    show(<Mates />);
    expect(await screen.findByText(/Harrow \(S7 S9\) cannot be a seedling of Ember/)).toBeVisible();
    expect(await screen.findByText('1 fit, 2 do not, 1 unknown')).toBeVisible();
    await userEvent.click(screen.getByLabelText('Harrow on Ember: yes'));

    expect(await screen.findByText('No S allele is rejected.')).toBeVisible();
    expect(screen.getByText('Both S alleles are shared.')).toBeVisible();
    expect(screen.getByText(/must be stored 12 days/)).toBeVisible();
    expect(screen.getByText(/18 of 40 flowers of this cross set/)).toBeVisible();
    await userEvent.click(screen.getByText('Plan it'));
    await waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/mates/wanted'));
    expect(sent[0]!.body).toEqual({ motherId: 'e', fatherId: 'h', flowers: 20, priority: 1 });
  });

  it('says when to collect, how to keep and how much to set aside', async () => {
    const keeping = { first: 0.7, firstLow: 0.6, firstHigh: 0.8, lastLow: 0.5, lastHigh: 0.7 };
    serve({
      'GET /api/cross-requests': [
        {
          id: 'w',
          motherId: 'e',
          mother: 'Ember',
          fatherId: 'h',
          father: 'Harrow',
          flowers: 40,
          note: '',
          answer: yes,
          missing: '',
          jars: [],
          version: 0,
          bridge: {
            kind: 'KEEP',
            nextSeason: false,
            collectFrom: '2026-09-09',
            collectUntil: '2026-09-12',
            useFrom: '2026-09-26',
            useUntil: '2026-10-03',
            days: 14,
            choices: [
              { ...keeping, storage: 'FREEZER', last: 0.6, useful: true, doses: 57, flowersToCollect: 18 },
              { ...keeping, storage: 'ROOM', last: 0.01, useful: false },
            ],
          },
        },
      ],
    });
    show(<CrossRequests />);
    const plan = await screen.findByText(/Collect Harrow from Wed 9 Sept? to Sat 12 Sept?: 18 flowers/);
    expect(plan).toHaveTextContent('then freezer. Set aside 57 doses for 40 flowers of Ember');
    expect(screen.getByText('no use')).toBeVisible();
  });

  it('turns seeds into flowers, says why, and changes what is wanted', async () => {
    const sent = serve({
      'GET /api/cross-requests': [
        {
          id: 'w',
          motherId: 'e',
          mother: 'Ember',
          fatherId: 'h',
          father: 'Harrow',
          flowers: 42,
          seeds: 10,
          why: 'To be 90 % sure of 10 seeds.',
          priority: 2,
          note: 'for the bank',
          answer: yes,
          missing: '',
          jars: [],
          version: 3,
        },
      ],
      'PUT /api/cross-requests/w': {},
    });
    show(<CrossRequests />);
    await userEvent.click(await screen.findByText('42 flowers for 10 seeds'));
    expect(await screen.findByText('To be 90 % sure of 10 seeds.')).toBeVisible();
    expect(screen.getByText(/before others/)).toBeVisible();
    await userEvent.click(screen.getByText('Change'));
    const seeds = screen.getByLabelText('Seeds wanted');
    await userEvent.clear(seeds);
    await userEvent.type(seeds, '20');
    await userEvent.click(screen.getByText('Save'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({
      motherId: 'e',
      fatherId: 'h',
      note: 'for the bank',
      version: 3,
      priority: 2,
      seeds: 20,
    });
  });
});
