import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { serve, sheet, show } from '../test/screen';
import { Lines } from './Lines';

type Line = Schemas['StoryLine'];

const line = (part: Partial<Line>): Line => ({
  kind: 'fig',
  id: 'r1',
  treeId: 't1',
  tree: 'Pale Ridge 1',
  crop: 'cherimoya',
  at: '2026-11-24T02:10:00Z',
  by: 'Ines',
  recordedAt: '2026-11-24T02:11:00Z',
  version: 3,
  note: '',
  what: {},
  ...part,
});

const mend = async (noun: string) => {
  await userEvent.click(await screen.findByLabelText(`Mend this ${noun}`));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Correct' }));
};

interface Case {
  of: Partial<Line>;
  /** What the line says. */
  says: string | RegExp;
  noun: string;
  /** The field that is changed, and to what. */
  change: [string, string];
  /** Where it goes, and what goes there. */
  path: string;
  body: object;
}

const CASES: Case[] = [
  {
    of: { kind: 'fig', what: { fig: 'Y1', diameterMm: 14.5, eye: 'LOOSENING_GREEN' } },
    says: 'Y1: 14.5 mm',
    noun: 'fig',
    change: ['Diameter, mm', '16'],
    path: 'PUT /api/figs/r1',
    body: { treeId: 't1', fig: 'Y1', diameterMm: 16, eye: 'LOOSENING_GREEN' },
  },
  {
    of: { kind: 'word', note: 'birds', what: { found: 'TOO_LATE', walkId: 'w1', stop: 2 } },
    says: 'too late',
    noun: 'note',
    change: ['Note', 'ants'],
    path: 'PUT /api/walks/w1/words/r1',
    body: { kind: 'TOO_LATE', stop: 2, note: 'ants' },
  },
  {
    of: { kind: 'cross-step', crossId: 'x1', what: { cross: '26-1', step: 'BAG', flowers: 6 } },
    says: '26-1: bag put on, 6 flowers',
    noun: 'cross step',
    change: ['Flowers there after it', '5'],
    path: 'PUT /api/crosses/x1/steps/r1',
    body: { kind: 'BAG', flowers: 5, skipped: false },
  },
  {
    of: {
      kind: 'bloom-date',
      what: { varietyId: 'v1', year: 2025, firstBloom: '2025-10-20', fullBloom: '2025-10-25' },
    },
    says: /^2025: first flowers/,
    noun: 'bloom',
    change: ['Full bloom', ''],
    path: 'PUT /api/bloom-dates/r1',
    body: { varietyId: 'v1', year: 2025, firstBloom: '2025-10-20', version: 3 },
  },
  {
    of: {
      kind: 'jar-step',
      lotId: 'l1',
      what: { jar: 'LA-02', jarStep: 'STORED', storage: 'FREEZER', celsius: -18 },
    },
    says: /^LA-02: put away: .*freezer, -18.°C/,
    noun: 'step',
    change: ['When', ''],
    path: 'PUT /api/lots/l1/steps/r1',
    body: { kind: 'STORED', storage: 'FREEZER', celsius: -18, confirmed: [] },
  },
  {
    of: { kind: 'jar-test', lotId: 'l1', what: { jar: 'LA-02', fields: [{ grains: 50, tubes: 40 }] } },
    says: 'LA-02: 40 of 50 grains grew a tube',
    noun: 'test',
    change: ['Field 1: with tubes', '4'],
    path: 'PUT /api/lots/l1/tests/r1',
    body: { fields: [{ grains: 50, tubes: 4 }] },
  },
  {
    of: { kind: 'jar-test', lotId: 'l1', what: { jar: 'LA-02', flowers: 12, taken: 3, freshFlowers: 0 } },
    says: 'LA-02: 3 of 12 spare flowers set',
    noun: 'test',
    change: ['Flowers done with it', '10'],
    path: 'PUT /api/lots/l1/tests/r1',
    body: { flowers: 10, taken: 3, freshFlowers: 0, freshTaken: 0 },
  },
  {
    of: {
      kind: 'seed-step',
      what: { seedLot: 'S26-1', seedLotId: 's1', seedStep: 'POTTED', count: 12, stage: 'UP' },
    },
    says: /^S26-1: /,
    noun: 'step',
    change: ['How many', '9'],
    path: 'PUT /api/seed-lots/s1/steps/r1',
    body: { step: 'POTTED', at: 'UP', count: 9, on: '2026-11-24', version: 3 },
  },
  {
    of: {
      kind: 'seedling-step',
      what: { seedling: '26-1-07', seedlingId: 'd1', seedlingStep: 'PLANTED', place: 'row 3' },
    },
    says: /^26-1-07: .*row 3$/,
    noun: 'step',
    change: ['Place from then on', 'row 4'],
    path: 'PUT /api/seedlings/d1/steps/r1',
    body: { event: 'PLANTED', place: 'row 4', on: '2026-11-24', version: 3 },
  },
];

describe('corrections in a story', () => {
  it.each(CASES)('$of.kind: $says', async ({ of, says, noun, change, path, body }) => {
    const sent = serve({
      'GET /api/crops': [sheet],
      'GET /api/lots': [{ id: 'l1', code: 'LA-02', crop: 'cherimoya' }],
      'GET /api/trees': [],
      [path]: {},
    });
    show(<Lines lines={[line(of)]} withTree={false} />);
    expect(await screen.findByText(says)).toBeVisible();
    await mend(noun);
    const field = await screen.findByLabelText(change[0]);
    if (change[0] !== 'When') {
      await userEvent.clear(field);
      if (change[1]) await userEvent.type(field, change[1]);
      else await userEvent.tab();
    }
    await userEvent.click(screen.getByRole('button', { name: 'Save the correction' }));

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(`${sent[0]!.method} ${sent[0]!.path}`).toBe(path);
    expect(sent[0]!.body).toMatchObject(body);
    if (of.kind === 'bloom-date') expect(sent[0]!.body).not.toHaveProperty('fullBloom');
    else if (!('version' in body)) expect(sent[0]!.query).toBe('?version=3');
    expect(await screen.findByText(/was corrected/)).toBeVisible();
  });

  it('opens what became of a fruit of an earlier season, and nothing of one that hangs', async () => {
    const fruit = {
      id: 'f1',
      treeId: 't1',
      tree: 'Pale Ridge 1',
      crop: 'cherimoya',
      from: 'with Lantern',
      year: 2024,
      number: 12,
      version: 4,
      end: { kind: 'HARVESTED', at: '2025-05-20T02:00:00Z', weightG: 300 },
    };
    const sent = serve({
      'GET /api/crops': [sheet],
      'GET /api/fruits/f1': fruit,
      'PUT /api/fruits/f1/end': fruit,
    });
    show(
      <Lines
        lines={[
          line({ kind: 'fruit', id: 'f1', what: { number: 12, ended: 'HARVESTED', weightG: 300 } }),
          line({ kind: 'move', id: 'm1', what: { fromRow: 1, fromPosition: 2, toRow: 7, toPosition: 3 } }),
        ]}
        withTree={false}
      />,
    );
    expect(await screen.findByText('from row 1, place 2 to row 7, place 3')).toBeVisible();
    expect(screen.getAllByLabelText(/^Mend this/)).toHaveLength(1);
    await mend('fruit');
    await userEvent.type(await screen.findByLabelText('Seeds'), '38');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ end: { weightG: 300, seeds: 38 }, version: 4 });
  });
});
