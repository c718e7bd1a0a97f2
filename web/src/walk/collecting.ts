import type { Schemas } from '../api/api';
import type { Outgoing } from '../offline/store';
import { dosesOf } from '../pollen/doses';
import { doneAt, route } from './walk-state';
import { t } from '../text/text';

type Collecting = Schemas['WalkCollecting'];

const LOT = (id: string) => `/api/lots/${id}`;

/** Doses of a jar that can be given now, what waits on this device counted in; nothing where it is not filled yet. */
export function dosesThere(
  collecting: Collecting,
  lots: Schemas['LotView'][],
  outbox: Outgoing[],
): number | undefined {
  const jar = lots.find((l) => l.id === collecting.lotId);
  const waits = outbox.find((w) => w.path === LOT(collecting.lotId));
  if (!jar && !waits) return undefined;
  const filled = jar ? jar.dosesLeft : dosesWaiting(waits!, collecting);
  const drawn = outbox
    .filter((w) => w.path.startsWith('/api/pollinations/') && w.body.lotId === collecting.lotId)
    .reduce((n, w) => n + Number(w.body.flowers), 0);
  return Math.max(0, filled - drawn);
}

/** What a jar that waits on this device will hold: what was typed, or what its flowers give. */
function dosesWaiting(write: Outgoing, collecting: Collecting): number {
  const typed = write.body.doses;
  if (typed !== undefined) return Number(typed);
  const sources = (write.body.sources ?? []) as { flowers: number }[];
  const flowers = sources.reduce((n, s) => n + s.flowers, 0);
  return dosesOf(flowers, collecting.pollen.dosesPerFlower);
}

/** The code on the jar, or what to call it until it has one. */
export const jarName = (collecting: Collecting, lots: Schemas['LotView'][]): string =>
  lots.find((l) => l.id === collecting.lotId)?.code ??
  t('walk.new-jar', { variety: collecting.pollen.variety });

/** What to write on the jar: its code, once it has one, and whose pollen it is. */
export const jarLabel = (collecting: Collecting, lots: Schemas['LotView'][]): string =>
  [lots.find((l) => l.id === collecting.lotId)?.code, collecting.pollen.variety].filter(Boolean).join(' · ');

/**
 * How many flowers of a stop the doses of a jar that was filled on this walk are best given to, as the phone works it out: where they
 * do not suffice, first to stops whose flowers are worth most by the plan.
 */
export function allotted(
  walk: Schemas['Walk'],
  index: number,
  doses: number,
  outbox: Outgoing[],
  me: string,
): number {
  const open = route(walk)
    .filter((i) => walk.stops[i]!.lotId === walk.stops[index]!.lotId)
    .map((i) => {
      const stop = walk.stops[i]!;
      const done = doneAt(walk, i, outbox, me);
      return {
        i,
        left: Math.max(0, stop.flowers - done.mine - done.others),
        worth: stop.expected / Math.max(1, stop.flowers),
      };
    });
  const first = open.sort((a, b) => b.worth - a.worth || a.i - b.i);
  let there = doses;
  for (const { i, left } of first) {
    const given = Math.min(there, left);
    if (i === index) return given;
    there -= given;
  }
  return Math.min(there, walk.stops[index]!.flowers);
}
