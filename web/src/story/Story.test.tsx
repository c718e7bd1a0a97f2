import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { refusal, serve, sheet, show } from '../test/screen';
import { Search } from './Search';
import { TreePage } from './StoryPage';

const line = (part: Partial<Schemas['StoryLine']>): Schemas['StoryLine'] => ({
  kind: 'reading',
  id: 'r1',
  treeId: 't1',
  tree: 'Pale Ridge 1',
  crop: 'cherimoya',
  at: '2026-11-24T02:10:00Z',
  by: 'Ines',
  recordedAt: '2026-11-24T02:11:00Z',
  version: 3,
  note: '',
  what: { counts: { parted: 4, shedding: 2 }, share: 1 },
  ...part,
});

const POLLINATED = line({
  kind: 'pollination',
  id: 'p1',
  lotId: 'l1',
  at: '2026-11-23T07:00:00Z',
  what: {
    flowers: 4,
    jar: 'LA-02',
    father: 'Lantern',
    treatment: 'HAND',
    mark: 'tape',
    colour: 'red',
    tag: '12',
  },
});
const CHECKED = line({
  kind: 'check',
  id: 'c1',
  what: { flowers: 4, taken: 3, failed: 1, pollinationId: 'p1', unknown: 0, whole: 2 },
});

const story = (lines: Schemas['StoryLine'][], more: Partial<Schemas['StoryView']> = {}) => ({
  lines,
  kinds: { reading: 1, pollination: 1 },
  removed: 0,
  ...more,
});

const SERVER = {
  'GET /api/trees': [
    {
      id: 't1',
      name: 'Pale Ridge 1',
      varietyId: 'v1',
      varietyName: 'Pale Ridge',
      crop: 'cherimoya',
      block: 'Bank',
      row: 2,
      position: 5,
      version: 0,
    },
    {
      id: 't2',
      name: 'Pale Ridge 2',
      varietyId: 'v1',
      varietyName: 'Pale Ridge',
      crop: 'cherimoya',
      block: 'Bank',
      row: 2,
      position: 6,
      version: 0,
    },
  ],
  'GET /api/varieties': [],
  'GET /api/crops': [sheet],
  'GET /api/lots': [],
};

const open = () => show(<TreePage />, { at: '/orchard/tree/t1', route: '/orchard/tree/:tree' });
const act = async (kind: string, what: string) => {
  await userEvent.click(await screen.findByLabelText(`Mend this ${kind}`));
  await userEvent.click(await screen.findByRole('menuitem', { name: what }));
};

describe('the story of a tree', () => {
  it('says each record in words, day by day, with what did not fit the forecast', async () => {
    const surprising = line({
      note: 'windy',
      what: {
        counts: { parted: 4, shedding: 2 },
        share: 0.5,
        limb: 'north',
        surpriseStage: 'parted',
        surpriseExpected: 9.4,
      },
    });
    serve({ ...SERVER, 'GET /api/story': story([surprising, POLLINATED]) });
    open();
    expect(await screen.findByRole('heading', { name: 'Pale Ridge 1' })).toBeVisible();
    expect(await screen.findByText(/4 tips parted · 2 .*, limb: north, 50 % of it counted/)).toBeVisible();
    expect(screen.getByText('9 tips parted were foreseen')).toBeVisible();
    expect(screen.getByText('“windy”')).toBeVisible();
    expect(screen.getByText('4 flowers with Lantern (LA-02), red tape, tag 12')).toBeVisible();
    expect(screen.getAllByRole('heading', { level: 2 })).toHaveLength(2);
  });

  it('corrects a reading under the version that was seen, and puts a refusal beside its field', async () => {
    let answers: unknown = refusal(400, {
      status: 400,
      title: 'Please check this',
      errors: [{ field: 'counts.parted', message: 'is 4000; allowed is 0 to 2000.' }],
    });
    const sent = serve({
      ...SERVER,
      'GET /api/story': story([line({})]),
      'PUT /api/readings/r1': () => answers,
    });
    open();
    await act('reading', 'Correct');
    const field = await screen.findByLabelText('Tips parted');
    expect(field).toHaveValue('4');
    await userEvent.clear(field);
    await userEvent.type(field, '4000');
    await userEvent.click(screen.getByRole('button', { name: 'Save the correction' }));
    expect(await screen.findByText(/allowed is 0 to 2000/)).toBeVisible();
    expect(field).toHaveValue('4000');
    answers = {};
    await userEvent.clear(field);
    await userEvent.type(field, '5');
    await userEvent.click(screen.getByRole('button', { name: 'Save the correction' }));
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Save the correction' })).toBeNull());
    expect(sent.at(-1)!.query).toBe('?version=3');
    expect(sent.at(-1)!.body).toMatchObject({ treeId: 't1', counts: { parted: 5, shedding: 2 }, share: 1 });
  });

  it('corrects a check without losing what it does not show, and a pollination with its jar', async () => {
    const sent = serve({
      ...SERVER,
      'GET /api/lots': [{ id: 'l1', code: 'LA-02', varietyName: 'Lantern' }],
      'GET /api/story': story([CHECKED, POLLINATED]),
      'PUT /api/checks/c1': {},
      'PUT /api/pollinations/p1': {},
    });
    open();
    await act('check', 'Correct');
    await userEvent.clear(await screen.findByLabelText('Set'));
    await userEvent.type(screen.getByLabelText('Set'), '2');
    await userEvent.click(screen.getByRole('button', { name: 'Save the correction' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ pollinationId: 'p1', taken: 2, failed: 1, detail: { whole: 2 } });
    await act('pollination', 'Correct');
    await userEvent.clear(await screen.findByLabelText('Flowers'));
    await userEvent.type(screen.getByLabelText('Flowers'), '3');
    await userEvent.click(screen.getByRole('button', { name: 'Save the correction' }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.body).toMatchObject({ flowers: 3, lotId: 'l1', tag: '12', how: { treatment: 'HAND' } });
  });

  it('corrects hour and note of a jar, and shows the pictures of a reading', async () => {
    const jar = line({
      kind: 'jar',
      id: 'l1',
      what: { jar: 'LA-02', doses: 40, left: 30, from: 'Long Reach' },
      note: 'old label',
    });
    const read = line({ what: { counts: { parted: 4 }, share: 1, photos: ['ph1'] } });
    const sent = serve({
      ...SERVER,
      'GET /api/story': story([jar, read]),
      'PUT /api/lots/l1/correction': {},
    });
    open();
    expect(await screen.findByText('LA-02: 40 doses, from Long Reach, 30 left')).toBeVisible();
    expect(screen.getByAltText('picture of Pale Ridge 1')).toHaveAttribute('src', '/api/record-photos/ph1');
    await act('jar', 'Correct');
    await userEvent.type(await screen.findByLabelText('Note'), ' 7');
    await userEvent.click(screen.getByRole('button', { name: 'Save the correction' }));

    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ note: 'old label 7', version: 3 });
  });

  it('removes only with a reason, says before what else changes, and offers to undo it', async () => {
    const sent = serve({
      ...SERVER,
      'GET /api/story': story([POLLINATED]),
      'GET /api/story/pollination/p1/effects': {
        effects: [
          { what: 'FRUIT_SET', of: 'Pale Ridge 1', number: 4 },
          { what: 'DOSES', of: 'LA-02', number: 4 },
        ],
      },
      'POST /api/story/pollination/p1/remove': undefined,
      'POST /api/story/pollination/p1/restore': undefined,
    });
    open();
    await act('pollination', 'Remove');
    expect(await screen.findByText('4 doses go back into LA-02.')).toBeVisible();
    const remove = screen.getByRole('button', { name: 'Remove' });
    expect(remove).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Why'), 'wrong tree');
    await userEvent.click(remove);
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.map((s) => s.body)).toEqual([{ version: 3, reason: 'wrong tree' }, { version: 4 }]);
  });

  it('shows removed records where asked, tells their history, and restores them', async () => {
    const removed = line({ removedAt: '2026-11-24T02:20:00Z', removedBecause: 'entered twice', version: 4 });
    const sent = serve({
      ...SERVER,
      'GET /api/story': ({ query }: { query: string }) =>
        story(query.includes('removed=true') ? [removed] : [], { removed: 1 }),
      'GET /api/story/reading/r1/effects': { effects: [{ what: 'FORECAST', of: 'Pale Ridge 1', number: 1 }] },
      'GET /api/story/reading/r1/history': {
        revisions: [
          { at: '2026-11-24T02:20:00Z', by: 'Ines', deed: 'REMOVED', reason: 'entered twice', changes: [] },
          {
            at: '2026-11-24T02:15:00Z',
            by: 'Tomas',
            deed: 'CORRECTED',
            changes: [{ field: 'takenAt', before: '2026-11-24T02:00:00Z', after: '2026-11-24T02:10:00Z' }],
          },
        ],
      },
      'POST /api/story/reading/r1/restore': undefined,
    });
    open();
    expect(await screen.findByText('Nothing recorded yet')).toBeVisible();
    await userEvent.click(screen.getByLabelText('removed too (1)'));
    expect(await screen.findByText('Removed: entered twice')).toBeVisible();
    await act('reading', 'History');
    const dialog = await screen.findByRole('dialog');
    expect(await within(dialog).findByText(/by Tomas/)).toBeVisible();
    expect(within(dialog).getByText(/time:/)).toHaveTextContent(/15:00.*15:10/);
    await userEvent.click(within(dialog).getByRole('button', { name: 'Close' }));
    await act('reading', 'Restore');
    expect(await screen.findByText('The forecast of Pale Ridge 1 is made anew.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Restore' }));
    await waitFor(() => expect(sent[0]?.body).toEqual({ version: 4 }));
  });
});

describe('the search', () => {
  it('finds while one types, goes by arrows and Enter, and says where nothing holds the word', async () => {
    serve({
      'GET /api/search': ({ query }: { query: string }) =>
        query === '?q=ridge'
          ? [
              { kind: 'tree', id: 't1', title: 'Pale Ridge 1', about: 'Pale Ridge, Bank' },
              { kind: 'block', title: 'Ridge side', about: 'block' },
            ]
          : [],
    });
    let closed = 0;
    show(<Search close={() => closed++} />, { at: '/', route: '/*' });
    const field = await screen.findByLabelText('What to look for');
    await userEvent.type(field, 'ridge');
    expect(await screen.findByText('Pale Ridge 1')).toBeVisible();
    expect(screen.getByRole('link', { name: /Ridge side/ })).toHaveAttribute(
      'href',
      '/orchard/block/Ridge%20side',
    );
    await userEvent.keyboard('{ArrowDown}{Enter}');
    expect(closed).toBe(1);
    expect(screen.getByTestId('address')).toHaveTextContent('/orchard/block/Ridge%20side');
    await userEvent.clear(field);
    await userEvent.type(field, 'zzz');
    expect(await screen.findByText('Nothing holds “zzz”.')).toBeVisible();
  });
});
