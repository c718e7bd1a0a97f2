import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { bloomOf, bloomRow, NOW, roundStop } from '../test/samples';
import { refusal, serve, show, type Server } from '../test/screen';
import {
  bearing,
  boundsOf,
  compassPoint,
  distance,
  onEarth,
  onPlane,
  phaseOf,
  rowsOf,
  shown,
} from './map-state';
import { OrchardMap } from './OrchardMap';

const tree = (
  name: string,
  position: number,
  part: Partial<Schemas['MapTree']> = {},
): Schemas['MapTree'] => ({
  treeId: name,
  tree: name,
  varietyId: 'v',
  variety: 'Lantern',
  crop: 'cherimoya',
  block: 'Bank',
  row: 1,
  position,
  eastM: position * 3,
  northM: 0,
  ...part,
});
const measured: Schemas['MeasuredSpot'] = {
  id: 's1',
  latitude: -35.3,
  longitude: 173.90003,
  accuracyM: 4,
  how: 'GPS',
  version: 2,
};
const map: Schemas['OrchardMap'] = {
  latitude: -35.3,
  longitude: 173.9,
  metresPerDegreeNorth: 110_944,
  metresPerDegreeEast: 90_953,
  blocks: [
    {
      block: 'Bank',
      rowSpacingM: 4,
      placeSpacingM: 3,
      bearing: 90,
      bearingFrom: 'ASSUMED',
      measured: 1,
    },
  ],
  trees: [tree('Lantern 1', 1, { measured }), tree('Lantern 2', 2), tree('Slate 1', 3, { crop: 'apple' })],
};
const bloom = bloomOf([
  bloomRow({ treeId: 'Lantern 1', treeName: 'Lantern 1', takes: 9 }),
  bloomRow({ treeId: 'Lantern 2', treeName: 'Lantern 2', gives: 4 }),
]);

function open(more: Server = {}) {
  const sent = serve({
    'GET /api/map': map,
    'GET /api/bloom': bloom,
    'GET /api/plan': {
      rounds: [
        { at: NOW.toISOString(), stops: [roundStop('Lantern 2', 'LA-01'), roundStop('Lantern 1', 'LA-01')] },
      ],
    },
    'GET /api/fruit-set': { today: '2026-11-24', due: 0, waiting: 0, rows: [] },
    'GET /api/crops': [],
    ...more,
  });
  show(<OrchardMap />);
  return sent;
}

const listed = async () =>
  within(await screen.findByRole('list', { name: 'Trees on the map' }))
    .getAllByRole('button')
    .map((b) => b.textContent);

afterEach(() => vi.unstubAllGlobals());

describe('the map', () => {
  it('draws each tree by its phase, the way of the next visit, and lists the same trees', async () => {
    open();
    await screen.findByText('3 trees in 1 block');
    const phases = [...document.querySelectorAll('[data-tree]')].map((g) => [
      g.getAttribute('data-tree'),
      g.getAttribute('data-phase'),
    ]);
    expect(phases).toEqual([
      ['Lantern 1', 'female'],
      ['Lantern 2', 'male'],
      ['Slate 1', 'unread'],
    ]);
    await waitFor(async () =>
      expect(await listed()).toEqual([
        'Lantern 1 · stop 2Bank, row 1, place 19 female, 0 male',
        'Lantern 2 · stop 1Bank, row 1, place 20 female, 4 male',
        'Slate 1Bank, row 1, place 3not read yet',
      ]),
    );
    expect(document.querySelector('polyline')).not.toBeNull();
    await userEvent.selectOptions(screen.getByLabelText('Show'), 'in the next visit');
    expect(await listed()).toHaveLength(2);
    await userEvent.selectOptions(screen.getByLabelText('Crop'), 'apple');
    expect(screen.getByText('No tree is like that. Show all trees again.')).toBeVisible();
  });

  it('takes the place one stands at for a tree’s, with the way to undo it', async () => {
    vi.stubGlobal('navigator', {
      ...navigator,
      geolocation: {
        getCurrentPosition: (found: PositionCallback) =>
          found({ coords: { latitude: -35.3001, longitude: 173.9002, accuracy: 5 } } as GeolocationPosition),
      },
    });
    const sent = open({
      'PUT /api/tree-spots/*': { ...measured, id: 's9', version: 0 },
      'POST /api/tree-spots/*/void': {},
    });
    await userEvent.click((await screen.findAllByText('Lantern 2'))[0]!);
    await userEvent.click(await screen.findByText('I stand at this tree'));
    await waitFor(() =>
      expect(sent[0]!.body).toEqual({
        treeId: 'Lantern 2',
        latitude: -35.3001,
        longitude: 173.9002,
        accuracyM: 5,
        how: 'GPS',
      }),
    );
    await userEvent.click(await screen.findByText('Undo'));
    await waitFor(() => expect(sent[1]!.path).toBe('/api/tree-spots/s9/void'));
  });

  it('removes a measured place, and keeps what was typed where the server refuses it', async () => {
    const sent = open({
      'POST /api/tree-spots/*/void': {},
      'PUT /api/tree-spots/*': refusal(400, {
        errors: [{ field: 'latitude', message: 'and longitude lie 300 km from the orchard.' }],
      }),
    });
    await userEvent.click((await screen.findAllByText('Lantern 1'))[0]!);
    expect(screen.getByText(/Measured: -35.30000°, 173.90003°, right to about 4 m/)).toBeVisible();
    await userEvent.click(screen.getByText('Type latitude and longitude'));
    const latitude = screen.getByLabelText('Latitude');
    await userEvent.clear(latitude);
    await userEvent.type(latitude, '-38');
    await userEvent.click(screen.getByText('Set its place'));
    expect(await screen.findByText('Latitude and longitude lie 300 km from the orchard.')).toBeVisible();
    expect(latitude).toHaveValue('-38');
    await userEvent.click(screen.getByText('Remove its place'));
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({ path: '/api/tree-spots/s1/void', body: { version: 2 } }),
    );
  });

  it('says which way the next tree is, and where a device does not tell its place', async () => {
    let tell: PositionCallback = () => undefined;
    let fail: PositionErrorCallback = () => undefined;
    vi.stubGlobal('navigator', {
      ...navigator,
      geolocation: {
        watchPosition: (found: PositionCallback, failed: PositionErrorCallback) => {
          tell = found;
          fail = failed;
          return 1;
        },
        clearWatch: () => undefined,
      },
    });
    open();
    await userEvent.click(await screen.findByText('Where am I?'));
    fail({} as GeolocationPositionError);
    expect(await screen.findByText(/does not say where it is/)).toBeVisible();
    tell({ coords: { latitude: -35.3, longitude: 173.9, accuracy: 3 } } as GeolocationPosition);
    expect(await screen.findByText('Next: Lantern 2, 6 m to the east')).toBeVisible();
    expect((await listed())[0]).toContain('Lantern 13 m'.slice(0, 9));
  });

  it('saves how the rows of a block lie', async () => {
    const sent = open({ 'PUT /api/block-rows/*': map });
    await userEvent.click(await screen.findByText('How the rows lie'));
    const row = screen.getByLabelText('Row to row, m');
    await userEvent.clear(row);
    await userEvent.type(row, '5.5');
    await userEvent.click(screen.getByText('Save rows'));
    await waitFor(() => expect(sent[0]!.body).toEqual({ block: 'Bank', rowSpacingM: 5.5, placeSpacingM: 3 }));
  });

  it('reads a GeoJSON file, asks about names it does not know, and refuses another file', async () => {
    let asked = false;
    const sent = open({
      'POST /api/map/import': () => {
        if (asked) return { trees: 2, unknown: ['Gate'] };
        asked = true;
        return refusal(409, { detail: 'There is no tree by the name of Gate.', confirm: 'unknown-trees' });
      },
    });
    await screen.findByText('Import GeoJSON');
    const choose = (text: string) =>
      fireEvent.change(screen.getByLabelText('GeoJSON file'), {
        target: { files: [new File([text], 'trees.geojson')] },
      });
    choose('no json');
    expect(await screen.findByText('This file is no GeoJSON that can be read.')).toBeVisible();
    choose('{"type":"FeatureCollection","features":[]}');
    expect(await screen.findByText('There is no tree by the name of Gate.')).toBeVisible();
    await userEvent.click(screen.getByText('Yes, record it'));
    expect(await screen.findByText('2 trees were put in their places.')).toBeVisible();
    expect(sent.at(-1)!.body).toMatchObject({ confirmed: ['unknown-trees'] });
  });
});

describe('places on the map', () => {
  it('are metres and degrees, distances and directions', () => {
    const spot = onPlane(map, { latitude: -35.301, longitude: 173.9 });
    expect(spot.north).toBeCloseTo(-110.944, 3);
    const back = onEarth(map, spot);
    const onTheLine = { ...map, longitude: 179.9999 };
    expect(onPlane(onTheLine, { latitude: -35.3, longitude: -179.9999 }).east).toBeCloseTo(18.19, 1);
    expect(onEarth(onTheLine, { east: 18.19, north: 0 }).longitude).toBeCloseTo(-179.9999, 5);
    expect(back.latitude).toBeCloseTo(-35.301, 9);
    expect(distance({ east: 0, north: 0 }, { east: 3, north: 4 })).toBe(5);
    expect(bearing({ east: 0, north: 0 }, { east: -1, north: 0 })).toBeCloseTo(270);
    expect([0, 44, 100, 200, 350].map(compassPoint)).toEqual(['N', 'NE', 'E', 'S', 'N']);
    expect(
      boundsOf(
        [
          { east: 1, north: 2 },
          { east: 5, north: -2 },
        ],
        1,
      ),
    ).toEqual({ west: 0, east: 6, south: -3, north: 3 });
    expect(rowsOf(map.trees)).toEqual([
      { key: 'Bank 1', from: { east: 3, north: 0 }, to: { east: 9, north: 0 } },
    ]);
  });

  it.each([
    [undefined, 'unread'],
    [{ female: 0.4, male: 0 }, 'neither'],
    [{ female: 3, male: 0 }, 'female'],
    [{ female: 0, male: 3 }, 'male'],
    [{ female: 3, male: 3 }, 'both'],
  ] as const)('of %o are %s', (flowers, phase) => expect(phaseOf(flowers)).toBe(phase));

  it('show those not read lately and those whose check is due', () => {
    const of = { stops: [], checks: new Set(['Slate 1']), bloom, now: NOW };
    expect(shown(map.trees, 'check', '', of).map((t) => t.tree)).toEqual(['Slate 1']);
    expect(shown(map.trees, 'unread', '', of).map((t) => t.tree)).toContain('Slate 1');
    expect(shown(map.trees, 'unread', 'cherimoya', of)).not.toContain('Slate 1');
  });
});
