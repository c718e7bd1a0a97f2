import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { lot, sheetSays } from '../test/samples';
import { refusal, serve, show, tree, typeMoment } from '../test/screen';
import { Crosses } from './Crosses';

const NOW = '2026-11-24T02:40:00Z';
const wanted: Schemas['WantedCross'] = {
  crossRequestId: 'w',
  motherId: 'ridge',
  mother: 'Pale Ridge',
  fatherId: 'lantern',
  father: 'Lantern',
  flowers: 6,
  seeds: 60,
  priority: 2,
  made: 0,
  ready: 3,
  more: 3,
  preparable: true,
};
const controlledCross = (
  label: string,
  due: Schemas['ControlledCrossDue'][],
  more: Partial<Schemas['ControlledCross']> = {},
): Schemas['ControlledCross'] => ({
  id: `c-${label}`,
  label,
  treeId: 'r2',
  tree: 'Pale Ridge 2',
  mother: 'Pale Ridge',
  crop: 'cherimoya',
  block: 'Bank',
  row: 3,
  position: 2,
  fatherId: 'lantern',
  father: 'Lantern',
  crossRequestId: 'w',
  bag: true,
  visits: 'TWICE',
  emasculate: true,
  note: '',
  flowers: 3,
  begun: true,
  pollinated: false,
  over: due.length === 0,
  treeGone: false,
  done: [],
  due,
  metalTag: [label, 'PALE RIDGE', 'X LANTERN', '24.11.26'],
  version: 0,
  ...more,
});
const due = (step: Schemas['ControlledCrossDue']['step'], from: string, until?: string) => ({
  step,
  from,
  say: [sheetSays(`how to ${step}`)],
  ...(until && { until }),
});
const bagged = {
  id: 's1',
  kind: 'BAG' as const,
  flowers: 3,
  doneAt: '2026-11-23T03:40:00Z',
  note: '',
  by: 'tomas',
  pollination: false,
  skipped: false,
  version: 0,
};
const jar = {
  ...lot({ code: 'LA-02' }),
  fathers: [{ varietyId: 'lantern', varietyName: 'Lantern', share: 1 }],
};
const blend = {
  ...lot({ code: 'BL-01' }),
  fathers: [
    { varietyId: 'lantern', varietyName: 'Lantern', share: 0.5 },
    { varietyId: 'ridge', varietyName: 'Pale Ridge', share: 0.5 },
  ],
};
const open = (controlledCrosses: Schemas['ControlledCross'][], more: Record<string, unknown> = {}) => {
  const sent = serve({
    'GET /api/crosses': { controlledCrosses, wanted: [wanted] },
    'GET /api/lots': [jar, blend],
    'GET /api/trees': [{ ...tree('r2', 'Pale Ridge 2'), varietyId: 'ridge' }, tree('l1', 'Lantern 1')],
    ...more,
  });
  show(<Crosses />);
  return sent;
};

beforeAll(() => {
  URL.createObjectURL = vi.fn(() => 'blob:labels');
  URL.revokeObjectURL = vi.fn();
});

describe('crosses', () => {
  it('gives what is due a jar of that father alone, and says what comes then', async () => {
    const sent = open(
      [
        controlledCross(
          '26-1',
          [due('POLLINATE', NOW, '2026-11-25T15:40:00Z'), due('BAG_OFF', '2026-12-01T02:40:00Z')],
          {
            done: [bagged],
          },
        ),
        controlledCross('26-2', [due('POLLINATE_AGAIN', '2026-11-25T02:40:00Z')]),
      ],
      {
        'PUT /api/pollinations/*': { id: 'p', version: 0 },
        'POST /api/crosses/*/steps/*/void': {},
      },
    );
    expect(await screen.findByText('2 crosses being made: 26-1 due now.')).toBeVisible();
    const card = within(document.querySelector<HTMLElement>('[data-cross="26-1"]')!);
    expect(card.getByText(/take the bag off Tue 1 Dec 15:40/)).toBeVisible();
    const jars = within(await card.findByLabelText('Jar')).getAllByRole('option');
    expect(jars.map((o) => o.textContent?.slice(0, 5))).toEqual(['LA-02']);
    const later = within(document.querySelector<HTMLElement>('[data-cross="26-2"]')!);
    expect(later.queryByText(/: done/)).toBeNull();

    await userEvent.click(card.getByText('Pollinate: done'));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ treeId: 'r2', flowers: 3, crossId: 'c-26-1', again: false }),
    );
    await userEvent.click(card.getByLabelText('Undo Bag of 26-1'));
    await waitFor(() => expect(sent.at(-1)!.path).toBe('/api/crosses/c-26-1/steps/s1/void'));
  });

  it('writes a step down on the flowers that are left, and stays with them where it is refused', async () => {
    const sent = open([controlledCross('26-3', [due('BAG', NOW)], { begun: false })], {
      'PUT /api/crosses/*/steps/*': refusal(400, {
        errors: [{ field: 'flowers', message: 'are 5, but the step before left 3 on cross 26-3.' }],
      }),
    });
    const flowers = await screen.findByLabelText('Flowers there after it');
    await userEvent.clear(flowers);
    await userEvent.type(flowers, '5');
    await userEvent.click(screen.getByText('Bag: done'));
    expect(await screen.findByText('Flowers are 5, but the step before left 3 on cross 26-3.')).toBeVisible();
    expect(flowers).toHaveValue('5');
    expect(sent[0]!.body).toMatchObject({ kind: 'BAG', flowers: 5 });
  });

  it('takes down all steps that are due together, each with its own time, and takes them back together', async () => {
    const sent = open([controlledCross('26-3', [due('THIN', NOW), due('BAG', NOW)], { begun: false })], {
      'PUT /api/crosses/*/steps/*': {},
      'POST /api/crosses/*/steps/*/void': {},
    });
    await userEvent.click(await screen.findByText('All 2 steps due'));
    await typeMoment('Done at', '23/11/2026 18:30');
    await userEvent.click(screen.getByText('Write down 2 steps'));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.map((s) => [s.body.kind, s.body.doneAt])).toEqual([
      ['THIN', '2026-11-23T05:30:00.000Z'],
      ['BAG', '2026-11-24T02:40:00.000Z'],
    ]);
    await userEvent.click(await screen.findByText('Undo'));
    await waitFor(() => expect(sent).toHaveLength(4));
    expect(sent[2]!.path).toBe(`${sent[1]!.path}/void`);
  });

  it('skips a step only with its reason', async () => {
    const sent = open([controlledCross('26-3', [due('BAG', NOW)])], { 'PUT /api/crosses/*/steps/*': {} });
    await userEvent.click(await screen.findByText('Skip this step'));
    expect(screen.getByText('Skip it').closest('button')).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Why it is skipped'), 'no bags left');
    await userEvent.click(screen.getByText('Skip it'));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ kind: 'BAG', flowers: 3, skipped: true, note: 'no bags left' }),
    );
  });

  it('begins a cross on a tree of the requested mother only', async () => {
    const sent = open([], { 'PUT /api/crosses/*': controlledCross('26-4', []) });
    expect(await screen.findByText(/for 60 seeds 0 of 6 flowers pollinated, 3 made ready/)).toBeVisible();
    await userEvent.click(screen.getByText('Begin one'));
    const trees = within(await screen.findByLabelText('Tree')).getAllByRole('option');
    expect(trees.map((o) => o.textContent)).toEqual(['Pale Ridge 2']);
    await userEvent.click(screen.getByLabelText(/bagged/));
    await userEvent.click(screen.getByText('Begin, with the next number'));
    await waitFor(() =>
      expect(sent[0]!.body).toEqual({
        treeId: 'r2',
        fatherId: 'lantern',
        crossRequestId: 'w',
        planned: 3,
        bag: false,
        visits: 'TWICE',
      }),
    );
    expect(await screen.findByText(/Cross 26-4 is begun/)).toBeVisible();
  });

  it('makes two labels of each cross that is ticked', async () => {
    const sent = open(
      [controlledCross('26-1', []), controlledCross('26-2', [due('BAG_OFF', '2026-12-01T02:40:00Z')])],
      {
        'POST /api/crosses/labels': { pdf: btoa('%PDF'), firstPage: '', labels: 2, shortened: [] },
      },
    );
    await userEvent.click(await screen.findByLabelText('Label for 26-2'));
    await userEvent.click(screen.getByText('Make 2 labels'));
    expect(await screen.findByText('Save the PDF: 2 labels')).toHaveAttribute('href', 'blob:labels');
    expect(sent[0]!.body).toMatchObject({ controlledCrosses: [{ crossId: 'c-26-2', copies: 2 }] });
    expect(screen.getByText('1 cross with nothing left to do')).toBeVisible();
  });
});
