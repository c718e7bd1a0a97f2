/** A tally under way: flowers by stage, and the taps that made it, so that each can be undone. */
export interface Tally {
  counts: Readonly<Record<string, number>>;
  taps: readonly { stage: string; by: number }[];
}

export const emptyTally: Tally = { counts: {}, taps: [] };

/** One flower more, or less; never below none. */
export function tapped(tally: Tally, stage: string, by = 1): Tally {
  const before = tally.counts[stage] ?? 0;
  if (before + by < 0) return tally;
  return { counts: { ...tally.counts, [stage]: before + by }, taps: [...tally.taps, { stage, by }] };
}

/** The tally before the last tap. */
export function undone(tally: Tally): Tally {
  const last = tally.taps.at(-1);
  if (!last) return tally;
  return {
    counts: { ...tally.counts, [last.stage]: (tally.counts[last.stage] ?? 0) - last.by },
    taps: tally.taps.slice(0, -1),
  };
}

/** "Same as last time, plus": the numbers of an earlier reading, each one step that can be undone. */
export function startedFrom(tally: Tally, counts: Record<string, number>): Tally {
  return Object.entries(counts)
    .filter(([, n]) => n > 0)
    .reduce((t, [stage, n]) => tapped(t, stage, n), tally);
}

export const total = (tally: Tally): number => Object.values(tally.counts).reduce((a, b) => a + b, 0);

const key = (tree: string) => `tally ${tree}`;

/** The tally that was left open on a tree, for example to ask the stage key. */
export function leftOpen(tree: string): Tally {
  try {
    const kept = sessionStorage.getItem(key(tree));
    return kept ? (JSON.parse(kept) as Tally) : emptyTally;
  } catch {
    return emptyTally;
  }
}

export function leaveOpen(tree: string, tally: Tally): void {
  if (tally.taps.length > 0) sessionStorage.setItem(key(tree), JSON.stringify(tally));
  else sessionStorage.removeItem(key(tree));
}

/** How much of the crown may be counted, with its words. */
export const SHARES = [
  { value: '1', name: 'tally.share-all' },
  { value: '0.5', name: 'tally.share-half' },
  { value: '0.25', name: 'tally.share-quarter' },
  { value: '0.1', name: 'tally.share-tenth' },
] as const;
