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

export const total = (tally: Tally): number => Object.values(tally.counts).reduce((a, b) => a + b, 0);
