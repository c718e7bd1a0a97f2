import type { Schemas } from '../api/api';
import type { Outgoing } from '../offline/store';

/** Pollen given, and steps on crosses. */
const WORK = /^\/api\/(pollinations|crosses)\//;

type Walk = Schemas['Walk'];

/** Places of the stops that are walked, in order: not those planned anew since. */
export const route = (walk: Walk): number[] =>
  walk.stops.map((_, i) => i).filter((i) => !walk.replaced.includes(i));

/** The next stop behind a place; beyond the last where there is none. */
export const nextStop = (walk: Walk, at: number): number =>
  route(walk).find((i) => i > at) ?? walk.stops.length;

/** A stop's own place, and those it had before it was planned anew: what is sent late stands there. */
function places(walk: Walk, stop: number): number[] {
  const here = walk.stops[stop];
  const before = walk.replaced.filter((i) => {
    const there = walk.stops[i];
    return (
      i !== stop &&
      there?.treeId === here?.treeId &&
      there?.lotId === here?.lotId &&
      there?.kind === here?.kind
    );
  });
  return [stop, ...before];
}

/**
 * This place, or the next that somebody need go to: not one that was planned anew since, and not one whose flowers I did before it was
 * planned anew, under its earlier place.
 */
export function needed(walk: Walk, at: number, outbox: Outgoing[], me: string): number {
  const stop = walk.stops[at];
  if (!stop) return at;
  const { mine } = doneAt(walk, at, outbox, me);
  const here = doneAt({ ...walk, replaced: [] }, at, outbox, me).mine;
  const before = mine > here && mine >= stop.flowers;
  return before || walk.replaced.includes(at) ? needed(walk, nextStop(walk, at), outbox, me) : at;
}

/** Flowers of a walk's stop that wait on this device. */
export function waitingAt(outbox: Outgoing[], walk: Walk, stop: number): number {
  const at = places(walk, stop);
  return outbox
    .filter((w) => WORK.test(w.path) && w.body.walkId === walk.id && at.includes(Number(w.body.stop)))
    .reduce((n, w) => n + Number(w.body.flowers), 0);
}

/** Flowers done at a stop: by me, what waits here counted in, and by others. */
export function doneAt(
  walk: Walk,
  stop: number,
  outbox: Outgoing[],
  me: string,
): { mine: number; others: number } {
  const at = places(walk, stop);
  const sent = [
    ...walk.done.map((d) => ({ stop: d.stop, flowers: d.flowers, by: d.recordedBy })),
    ...walk.steps,
  ].filter((d) => d.stop !== undefined && at.includes(d.stop));
  const mine = sent.filter((d) => d.by === me).reduce((n, d) => n + d.flowers, 0);
  const all = sent.reduce((n, d) => n + d.flowers, 0);
  return { mine: mine + waitingAt(outbox, walk, stop), others: all - mine };
}

const key = (walk: string) => `walk ${walk}`;

export interface Place {
  /** Cautions, then what is collected first, then the stops. */
  part: 'start' | 'collect' | 'stop';
  /** Which of its part, from 0. */
  at: number;
  /** Flowers counted there and not yet written down. */
  count: number;
}

const START: Place = { part: 'start', at: 0, count: 0 };
const PARTS: unknown[] = ['start', 'collect', 'stop'] satisfies Place['part'][];

/** Where one stood in a walk, after a reload or a dead battery; at its beginning where nothing is known. */
export function placeIn(walk: string): Place {
  try {
    const found = (JSON.parse(localStorage.getItem(key(walk)) ?? 'null') ?? {}) as Partial<Place>;
    if (!PARTS.includes(found.part) || !Number.isInteger(found.at) || found.at! < 0) return START;
    return {
      part: found.part!,
      at: found.at!,
      count: Number.isInteger(found.count) && found.count! > 0 ? found.count! : 0,
    };
  } catch {
    return START;
  }
}

export const rememberPlace = (walk: string, place: Place): void =>
  localStorage.setItem(key(walk), JSON.stringify(place));

export const forgetPlace = (walk: string): void => localStorage.removeItem(key(walk));
