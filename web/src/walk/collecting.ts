import type { Schemas } from '../kit/api';
import type { Outgoing } from '../kit/store';
import { dosesOf } from '../pollen/doses';

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
  lots.find((l) => l.id === collecting.lotId)?.code ?? `the new ${collecting.pollen.variety} jar`;
