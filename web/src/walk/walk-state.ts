import type { Schemas } from '../kit/api';
import type { Outgoing } from '../kit/store';

/** Pollen given, and steps on crosses. */
const WORK = /^\/api\/(pollinations|crossings)\//;

/** Flowers of a walk's stop that wait on this device. */
export function waitingAt(outbox: Outgoing[], walk: string, stop: number): number {
  return outbox
    .filter((w) => WORK.test(w.path) && w.body.walkId === walk && w.body.stop === stop)
    .reduce((n, w) => n + Number(w.body.flowers), 0);
}

/** Flowers done at a stop: by me, what waits here counted in, and by others. */
export function doneAt(
  walk: Schemas['Walk'],
  stop: number,
  outbox: Outgoing[],
  me: string,
): { mine: number; others: number } {
  const sent = [
    ...walk.done.map((d) => ({ stop: d.stop, flowers: d.flowers, by: d.recordedBy })),
    ...walk.steps,
  ].filter((d) => d.stop === stop);
  const mine = sent.filter((d) => d.by === me).reduce((n, d) => n + d.flowers, 0);
  const all = sent.reduce((n, d) => n + d.flowers, 0);
  return { mine: mine + waitingAt(outbox, walk.id, stop), others: all - mine };
}

const key = (walk: string) => `walk ${walk}`;

interface Place {
  /** Stop one stands at; below 0 what is collected before, the cautions lowest of all. */
  at: number;
  /** Flowers counted there and not yet written down. */
  count: number;
}

/** Where one stood in a walk, after a reload or a dead battery; at its beginning where nothing is known. */
export function placeIn(walk: string, beginning = -1): Place {
  try {
    const found = (JSON.parse(localStorage.getItem(key(walk)) ?? 'null') ?? {}) as Partial<Place>;
    return {
      at: Number.isInteger(found.at) ? found.at! : beginning,
      count: Number.isInteger(found.count) && found.count! > 0 ? found.count! : 0,
    };
  } catch {
    return { at: beginning, count: 0 };
  }
}

export const rememberPlace = (walk: string, place: Place): void =>
  localStorage.setItem(key(walk), JSON.stringify(place));

export const forgetPlace = (walk: string): void => localStorage.removeItem(key(walk));
