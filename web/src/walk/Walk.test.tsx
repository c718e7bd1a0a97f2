import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { send } from '../offline/outbox';
import { store } from '../offline/store';
import { lot, roundStop, sheetSays, text } from '../test/samples';
import { refusal, serve, SILENCE, sheet, show, typeMoment, type Server } from '../test/screen';
import { Walk } from './Walk';

const stop = (treeName: string, lotCode: string) =>
  roundStop(treeName, lotCode, [{ stage: 'parted', flowers: 6, receptivity: 1 }]);
const WALK = '/round/walk/w1';
const walk = (stops: Schemas['RoundStop'][], more: Partial<Schemas['Walk']> = {}): Schemas['Walk'] => ({
  id: 'w1',
  plannedFor: '2026-11-24T02:40:00Z',
  startedAt: '2026-11-24T02:40:00Z',
  collects: [],
  replaced: [],
  stale: false,
  stops,
  cautions: ['Mind the ladder.'],
  done: [],
  steps: [],
  words: [],
  photos: [],
  version: 0,
  ...more,
});
const done = {
  id: 'p',
  treeName: 'Pale Ridge 1',
  flowers: 2,
  version: 0,
  stop: 0,
  recordedBy: 'a',
} as Schemas['PollinationView'];
const TWO = [
  stop('Pale Ridge 1', 'LA-02'),
  { ...stop('Lantern 1', 'PR-02'), cleanBefore: ['Wipe the brush.'] },
];
const answers = (put: unknown, of = walk(TWO)): Server => ({
  'GET /api/walks/*': of,
  'GET /api/crops': [sheet],
  'GET /api/lots': [],
  'PUT /api/pollinations/*': put,
  'PUT /api/walks/w1/words/*': of,
  'POST /api/walks/w1/close': of,
});
const showWalk = () => show(<Walk />, { at: WALK, route: '/round/walk/:walk' });

afterEach(async () => {
  localStorage.clear();
  await store.outbox.clear();
});

describe('the walk', () => {
  it('shows cautions first, then one tree at a time, and asks for a clean brush between fathers', async () => {
    const sent = serve(answers(done));
    showWalk();
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
    await userEvent.click(screen.getByText('End the walk'));
    await waitFor(() => expect(sent.at(-1)?.path).toBe('/api/walks/w1/close'));
  });

  it('leads to checks that are due at the tree, and takes down flowers that nobody planned', async () => {
    const row = {
      pollination: { id: 'p', treeId: 'Pale Ridge 1' },
      due: { now: true, name: 'First check' },
    };
    const sent = serve({
      ...answers(done),
      'GET /api/fruit-set': { today: '2026-11-24', due: 1, waiting: 0, rows: [row] },
      'GET /api/trees': [
        { id: 'Lantern 1', name: 'Lantern 1', crop: 'cherimoya' },
        { id: 'Pale Ridge 1', name: 'Pale Ridge 1', crop: 'cherimoya' },
      ],
      'GET /api/lots': [lot({ id: 'jar', code: 'PR-01', dosesLeft: 8 }, '2026-11-25T08:00:00Z')],
    });
    showWalk();
    await userEvent.click(await screen.findByText('Go'));
    expect((await screen.findByText(/1\scheck due here: first check/)).closest('a')).toHaveAttribute(
      'href',
      '/fruit-set/walk?tree=Pale Ridge 1&walk=w1',
    );
    await userEvent.click(screen.getByText('other flowers'));
    await userEvent.click(await screen.findByText('Left to nature'));
    await userEvent.type(screen.getByLabelText('Flowers'), '12');
    await typeMoment('When', '23/11/2026 18:30');
    await userEvent.click(screen.getByText('Write down'));
    await waitFor(() =>
      expect(sent[0]?.body).toMatchObject({
        treeId: 'Pale Ridge 1',
        flowers: 12,
        doneAt: '2026-11-23T05:30:00.000Z',
        how: { treatment: 'NATURE' },
      }),
    );
    expect(sent[0]!.body).not.toHaveProperty('lotId');
    expect(screen.getByText('Stop 1 of 2')).toBeVisible();
  });

  describe('that begins with collecting', () => {
    const fresh = {
      ...stop('Pale Ridge 1', 'fresh Lantern'),
      lotId: 'new-jar',
      collectOf: 'v',
      flowers: 6,
    };
    const collects = [
      {
        lotId: 'new-jar',
        pollen: {
          varietyId: 'v',
          variety: 'Lantern',
          crop: 'cherimoya',
          doses: 6,
          flowers: 2,
          dosesPerFlower: 3,
          later: 0,
          trees: [
            {
              treeId: 'l1',
              tree: 'Lantern 1',
              place: text('tree.place', { inBlock: 'no', block: '', row: 1, position: 1 }),
              flowers: 4.4,
            },
          ],
        },
      },
    ];
    const first = walk([fresh], { collects });

    it('counts the flowers taken into a new jar, whose code and doses the next stop has', async () => {
      const jar = lot({ id: 'new-jar', code: 'LA-04', dosesLeft: 3 }, '2026-11-25T08:00:00Z');
      let filled = false;
      const sent = serve({
        ...answers(done, first),
        'GET /api/lots': () => (filled ? [jar] : []),
        'PUT /api/lots/*': () => {
          filled = true;
          return jar;
        },
      });
      showWalk();
      await userEvent.click(await screen.findByText('Go'));
      expect(screen.getByText('Collect 1 of 1')).toBeVisible();
      expect(await screen.findByText(/2\smale flowers that shed, for 6\sdoses/)).toBeVisible();
      expect(screen.getByText('Count the flowers collected').closest('button')).toBeDisabled();
      await userEvent.click(await screen.findByLabelText('flowers of Lantern 1: one more'));
      await userEvent.click(screen.getByText(/Into the jar · 3 doses/));
      expect(await screen.findByText('Stop 1 of 1')).toBeVisible();
      expect(sent.find((s) => s.path.startsWith('/api/lots/'))!.path).toBe('/api/lots/new-jar');
      expect(sent.find((s) => s.path.startsWith('/api/lots/'))!.body).toMatchObject({
        sources: [{ treeId: 'l1', flowers: 1 }],
      });
      expect(await screen.findByText('LA-04')).toBeVisible();
      expect(screen.getByText(/Only 3\sdoses left in it: do 3 of the 6/)).toBeVisible();
    });

    it('goes on without a connection from what the phone knows', async () => {
      serve({ ...answers(SILENCE, first), 'PUT /api/lots/*': SILENCE });
      showWalk();
      await userEvent.click(await screen.findByText('Go'));
      await userEvent.click(await screen.findByLabelText('flowers of Lantern 1: one more'));
      await userEvent.click(screen.getByText(/Into the jar/));
      expect(await screen.findByText('Stop 1 of 1')).toBeVisible();
      expect(screen.getByText('the new Lantern jar')).toBeVisible();
      expect(screen.getByText(/Only 3\sdoses left/)).toBeVisible();
      await userEvent.clear(screen.getByLabelText('how many'));
      await userEvent.type(screen.getByLabelText('how many'), '2');
      await userEvent.click(screen.getByText('Done · 2 flowers'));
      expect(await screen.findByText('That was the last stop')).toBeVisible();
      const kept = await store.outbox.toArray();
      expect(kept.map((w) => w.path.split('/')[2])).toEqual(['lots', 'pollinations']);
      expect(kept[1]!.body).toMatchObject({ lotId: 'new-jar', flowers: 2 });
    });

    it('is planned anew once the jar holds other than planned, and leads on to the new stops', async () => {
      const jar = lot({ id: 'new-jar', code: 'LA-04', dosesLeft: 3 }, '2026-11-25T08:00:00Z');
      const anew = walk([fresh, { ...stop('Pale Ridge 2', 'LA-04'), lotId: 'new-jar', flowers: 3 }], {
        collects,
        replaced: [0],
        version: 1,
      });
      const sent = serve({
        ...answers(done, walk([fresh], { collects, stale: true })),
        'GET /api/lots': [jar],
        'POST /api/walks/w1/plan-anew': anew,
      });
      localStorage.setItem('walk w1', JSON.stringify({ part: 'stop', at: 0, count: 0 }));
      showWalk();
      expect(await screen.findByText('Pale Ridge 2')).toBeVisible();
      expect(screen.getByText('Stop 1 of 1')).toBeVisible();
      expect(sent.filter((s) => s.path.endsWith('/plan-anew'))).toHaveLength(1);
    });

    it('says at a stop that its pollen is not collected, and leads back', async () => {
      serve(answers(done, first));
      showWalk();
      await userEvent.click(await screen.findByText('Go'));
      await userEvent.click(screen.getByText('Skip'));
      expect(screen.getByText(/not collected yet/)).toBeVisible();
      await userEvent.click(screen.getByText('Collect Lantern'));
      expect(screen.getByText('Collect 1 of 1')).toBeVisible();
    });
  });

  it('keeps the count when the jar has run out meanwhile', async () => {
    serve(
      answers(
        refusal(400, { errors: [{ field: 'flowers', message: 'need 1 dose, but none is left in LA-02.' }] }),
      ),
    );
    showWalk();
    await userEvent.click(await screen.findByText('Go'));
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByText('Done · 1 flower'));
    expect(await screen.findByText('Flowers need 1 dose, but none is left in LA-02.')).toBeVisible();
    expect(screen.getByText('Stop 1 of 2')).toBeVisible();
    expect(screen.getByText('Done · 1 flower')).toBeVisible();
  });

  it('remembers the night and leaves it when the walk is left', async () => {
    serve(answers(done));
    const { unmount } = showWalk();
    await userEvent.click(await screen.findByText('night'));
    expect(document.documentElement.dataset.night).toBe('on');
    unmount();
    expect(document.documentElement.dataset.night).toBeUndefined();
    showWalk();
    await waitFor(() => expect(document.documentElement.dataset.night).toBe('on'));
  });

  it('keeps flowers on the device without a connection, goes on, and sends them once when there is one', async () => {
    let network = false;
    const sent = serve(answers(() => (network ? done : SILENCE)));
    showWalk();
    await userEvent.click(await screen.findByText('Go'));
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByText('Done · 1 flower'));
    expect(await screen.findByText('Stop 2 of 2')).toBeVisible();
    expect(await screen.findByText('1 record kept on this device')).toBeVisible();
    const first = sent.at(-1)!;

    network = true;
    sent.length = 0;
    await act(() => send());
    await waitFor(() => expect(screen.queryByText(/kept on this device/)).toBeNull());
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ path: first.path, body: { flowers: 1, walkId: 'w1', stop: 0 } });
  });

  it('asks for a step on a cross with its tag, and for pollen with the cross and no mark of its own', async () => {
    const cross = { crossId: 'c1', fatherId: 'l', father: 'Lantern', label: '26-2' };
    const bag = {
      ...stop('Pale Ridge 2', ''),
      lotId: undefined,
      kind: 'BAG' as const,
      say: [sheetSays('Bag it.')],
      cross,
    };
    const again = { ...stop('Pale Ridge 2', 'LA-02'), kind: 'POLLINATE_AGAIN' as const, cross };
    const made = { label: '26-2', done: [], due: [] };
    const sent = serve({
      ...answers(done, walk([bag, again])),
      'GET /api/crosses': { controlledCrosses: [{ id: 'c1', metalTag: ['26-2', 'PALE RIDGE'] }], wanted: [] },
      'PUT /api/crosses/c1/steps/*': made,
    });
    showWalk();
    await userEvent.click(await screen.findByText('Go'));
    expect(await screen.findByText('cross 26-2, Pale Ridge × Lantern')).toBeVisible();
    expect(await screen.findByLabelText('For the metal tag')).toHaveTextContent('26-2PALE RIDGE');
    await userEvent.click(screen.getByText('All 6'));
    await userEvent.click(screen.getByText('Done · 6 flowers'));
    expect(await screen.findByText('Stop 2 of 2')).toBeVisible();
    expect(sent[0]).toMatchObject({ body: { kind: 'BAG', flowers: 6, walkId: 'w1', stop: 0 } });

    expect(screen.queryByText(/^Mark:/)).toBeNull();
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByText('Done · 1 flower'));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.body).toMatchObject({ crossId: 'c1', again: true, flowers: 1 });
    expect(sent[1]!.body).not.toHaveProperty('mark');
  });

  it('gives the same flowers pollen once more, by their mark and without a new one', async () => {
    const again = {
      ...stop('Lantern 3', 'PR-02'),
      kind: 'POLLINATE_AGAIN' as const,
      againOf: 'p1',
      say: [text('stop.first-visit', { marks: 'petal nick', at: '2026-11-23T05:10:00Z' })],
    };
    const sent = serve(answers(done, walk([again])));
    showWalk();
    await userEvent.click(await screen.findByText('Go'));
    expect(screen.getByText('once more on the same: petal nick, pollinated 23 Nov, 18:10')).toBeVisible();
    expect(screen.queryByText(/^Mark:/)).toBeNull();
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByText('Done · 1 flower'));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ againOf: 'p1', again: true, flowers: 1 }));
    expect(sent[0]!.body).not.toHaveProperty('mark');
  });

  it('reads as the crop’s growers say it: passes, what to heed, limbs, now or never, without a jar', async () => {
    const lime = {
      ...stop('Pocket Lime 1', 'from flower to flower'),
      lotId: undefined,
      handling: ['All that opened since yesterday.'],
      passes: 2,
      onlyNow: true,
      limbs: [{ diameterMm: 20, fruits: 4, flowers: 5 }],
    };
    const sent = serve(answers(done, walk([lime])));
    showWalk();
    await userEvent.click(await screen.findByText('Go'));
    expect(screen.getByText('No jar')).toBeVisible();
    expect(screen.getByText(/Go over each flower 2 times/)).toBeVisible();
    expect(screen.getByText(/Now or never/)).toBeVisible();
    await userEvent.click(screen.getByText('What to watch for'));
    expect(screen.getByText('All that opened since yesterday.')).toBeVisible();
    await userEvent.click(screen.getByText('Limb by limb'));
    expect(screen.getByText(/limb 1, 20 mm/)).toHaveTextContent('5 flowers carries 4 fruits');
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByText('Done · 1 flower'));
    await waitFor(() => expect(sent[0]!.body).not.toHaveProperty('lotId'));
  });

  it('goes on where it was left, with what was counted', async () => {
    serve(answers(done));
    const { unmount } = showWalk();
    await userEvent.click(await screen.findByText('Go'));
    await userEvent.click(screen.getByLabelText('one more'));
    await userEvent.click(screen.getByLabelText('one more'));
    unmount();
    showWalk();
    expect(await screen.findByText('Done · 2 flowers')).toBeVisible();
  });

  it('shows what others did at this stop, and says a word about it', async () => {
    const sent = serve(
      answers(done, walk(TWO, { done: [done, { ...done, id: 'q', recordedBy: 'tomas', flowers: 3 }] })),
    );
    showWalk();
    await userEvent.click(await screen.findByText('Go'));
    expect(screen.getByText(/5 done, 3 by others/)).toBeVisible();
    await userEvent.click(screen.getByText('too late'));
    await waitFor(() => expect(sent.at(-1)?.body).toMatchObject({ stop: 0, kind: 'TOO_LATE' }));
    expect(screen.getByText('Stop 1 of 2')).toBeVisible();
  });
});
