import type { Schemas } from '../api/api';
import { flowers } from '../format/numbers';

export type OrchardMap = Schemas['OrchardMap'];
export type MapTree = Schemas['MapTree'];

/** Metres east and north. */
export interface Spot {
  east: number;
  north: number;
}

export const spotOf = (tree: MapTree): Spot => ({ east: tree.eastM, north: tree.northM });

/** Degrees between -180 and 180: an orchard may lie on the date line. */
const shortWay = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

/** A position that a phone gives, on the map's plane. */
export const onPlane = (map: OrchardMap, at: { latitude: number; longitude: number }): Spot => ({
  east: shortWay(at.longitude - map.longitude) * map.metresPerDegreeEast,
  north: (at.latitude - map.latitude) * map.metresPerDegreeNorth,
});

/** Degrees of a spot on the plane. */
export const onEarth = (map: OrchardMap, spot: Spot): { latitude: number; longitude: number } => ({
  latitude: map.latitude + spot.north / map.metresPerDegreeNorth,
  longitude: shortWay(map.longitude + spot.east / map.metresPerDegreeEast),
});

/** Metres as the crow flies. */
export const distance = (a: Spot, b: Spot): number => Math.hypot(b.east - a.east, b.north - a.north);

/** Degrees from north, turning to the east. */
export const bearing = (from: Spot, to: Spot): number =>
  ((Math.atan2(to.east - from.east, to.north - from.north) * 180) / Math.PI + 360) % 360;

const COMPASS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;
export type CompassPoint = (typeof COMPASS)[number];

/** The nearest of eight directions. */
export const compassPoint = (degrees: number): CompassPoint => COMPASS[Math.round(degrees / 45) % 8]!;

/** Flowers of a tree at a moment of the board. */
export interface Flowers {
  female: number;
  male: number;
}

/** What hangs on each tree at a step of the board, by tree; nothing of trees that were not read. */
export function flowersAt(bloom: Schemas['Bloom'], step: number): Map<string, Flowers> {
  return new Map(
    bloom.trees
      .filter((t) => t.reading)
      .map((t) => [t.treeId, { female: t.receptive.mean[step] ?? 0, male: t.shedding.mean[step] ?? 0 }]),
  );
}

export type Phase = 'female' | 'male' | 'both' | 'neither' | 'unread';

export function phaseOf(of: Flowers | undefined): Phase {
  if (!of) return 'unread';
  const female = flowers(of.female) > 0;
  const male = flowers(of.male) > 0;
  return female && male ? 'both' : female ? 'female' : male ? 'male' : 'neither';
}

/** The trees of a visit in the order in which they are come to, each once. */
export function stopsOf(visit: Schemas['PlannedRound'] | undefined): string[] {
  return [...new Set(visit?.stops.map((s) => s.treeId) ?? [])];
}

export const SHOWS = ['all', 'visit', 'check', 'unread'] as const;
export type Show = (typeof SHOWS)[number];

const STALE_MS = 3 * 86_400_000;

/** Trees that are wanted on the map. */
export function shown(
  trees: MapTree[],
  show: Show,
  crop: string,
  of: { stops: string[]; checks: ReadonlySet<string>; bloom: Schemas['Bloom']; now: Date },
): MapTree[] {
  const read = new Map(of.bloom.trees.map((t) => [t.treeId, t.reading?.takenAt]));
  const fresh = (id: string) => {
    const at = read.get(id);
    return at !== undefined && of.now.getTime() - Date.parse(at) <= STALE_MS;
  };
  return trees.filter(
    (t) =>
      (crop === '' || t.crop === crop) &&
      (show === 'all' ||
        (show === 'visit' && of.stops.includes(t.treeId)) ||
        (show === 'check' && of.checks.has(t.treeId)) ||
        (show === 'unread' && !fresh(t.treeId))),
  );
}

export interface Bounds {
  west: number;
  east: number;
  south: number;
  north: number;
}

/** Room for all of them, with a margin; in metres. */
export function boundsOf(spots: Spot[], margin: number): Bounds {
  const east = spots.map((s) => s.east);
  const north = spots.map((s) => s.north);
  return {
    west: Math.min(...east) - margin,
    east: Math.max(...east) + margin,
    south: Math.min(...north) - margin,
    north: Math.max(...north) + margin,
  };
}

/** The rows of a block, each from its first tree to its last. */
export function rowsOf(trees: MapTree[]): { key: string; from: Spot; to: Spot }[] {
  const rows = new Map<string, MapTree[]>();
  for (const t of trees) rows.set(`${t.block} ${t.row}`, [...(rows.get(`${t.block} ${t.row}`) ?? []), t]);
  return [...rows].map(([key, of]) => {
    const along = [...of].sort((a, b) => a.position - b.position);
    return { key, from: spotOf(along[0]!), to: spotOf(along.at(-1)!) };
  });
}
