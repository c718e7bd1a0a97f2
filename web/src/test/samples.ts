import type { Schemas } from '../api/api';

/** Small invented records for tests. */
export const ZONE = 'Pacific/Auckland';
export const NOW = new Date('2026-11-24T02:40:00Z');

const count = (mean: number): Schemas['FlowerCount'] => ({
  mean,
  low: Math.floor(mean),
  high: Math.ceil(mean),
});

const series = (mean: number): Schemas['FlowerSeries'] => ({
  mean: [mean, mean],
  low: [Math.floor(mean), Math.floor(mean)],
  high: [Math.ceil(mean), Math.ceil(mean)],
});

export function bloomRow(
  part: Partial<Schemas['BloomRow']> & { takes?: number; gives?: number },
): Schemas['BloomRow'] {
  const { takes = 0, gives = 0, ...rest } = part;
  return {
    treeId: rest.treeName ?? 'tree',
    treeName: 'Lantern 1',
    varietyId: 'lantern',
    varietyName: 'Lantern',
    crop: 'cherimoya',
    block: 'Bank',
    row: 2,
    position: 1,
    receptive: series(takes),
    shedding: series(gives),
    receptiveThisEvening: takes,
    reading: {
      id: 'r',
      treeId: 't',
      takenAt: NOW.toISOString(),
      counts: { parted: 3, shedding: 5 },
      flowers: 8,
      note: '',
      limb: '',
      share: 1,
      version: 0,
    },
    ...rest,
  };
}

export const stretch = (from: string, until: string, endsInForecast = true): Schemas['FlowerStretch'] => ({
  from,
  until,
  endsInForecast,
  peakAt: from,
  peak: count(4),
});

export function bloomOf(trees: Schemas['BloomRow'][]): Schemas['Bloom'] {
  const sum = (of: (r: Schemas['BloomRow']) => Schemas['FlowerSeries']) =>
    trees.reduce((n, t) => n + (of(t).mean[0] ?? 0), 0);
  return {
    from: NOW.toISOString(),
    until: '2026-11-24T03:10:00Z',
    stepMinutes: 30,
    receptiveNow: sum((t) => t.receptive),
    everRead: trees.some((t) => t.reading),
    sheddingNow: sum((t) => t.shedding),
    trees,
    varieties: [],
    weather: [{ from: NOW.toISOString(), until: '2026-11-24T03:10:00Z', source: 'USUAL' }],
  };
}

export function lot(part: Partial<Schemas['LotView']>, goodUntil?: string): Schemas['LotView'] {
  return {
    id: part.code ?? 'lot',
    code: 'LA-01',
    varietyName: 'Lantern',
    fathers: [{ varietyId: 'lantern', varietyName: 'Lantern', share: 1 }],
    open: true,
    dry: false,
    parts: [],
    crop: 'cherimoya',
    collectedAt: '2026-11-24T01:40:00Z',
    storage: 'ROOM',
    flowers: 3,
    sources: [],
    dosesCollected: 12,
    dosesLeft: 10,
    note: '',
    version: 0,
    viability: {
      share: 0.8,
      low: 0.66,
      high: 0.91,
      spoiled: false,
      fresh: 0.85,
      from: 0.85,
      fromAt: '2026-11-24T01:40:00Z',
      tested: false,
      halvings: 0.125,
      evenings: goodUntil ? 1 : 0,
      halfLifeHours: 8,
      halfLifeBasis: 'PRACTICE',
      ...(goodUntil && { goodUntil }),
    },
    ...part,
  };
}

/** What the server says by a message of its key. */
export const text = (key: string, values: Record<string, unknown> = {}): Schemas['Text'] => ({ key, values });

export const sheetSays = (words: string): Schemas['Text'] => text('said.sheet', { sheet: words });

export const roundStop = (
  treeName: string,
  lotCode: string,
  byStage: Schemas['RoundStop']['byStage'] = [],
): Schemas['RoundStop'] => ({
  treeId: treeName,
  treeName,
  varietyName: 'Pale Ridge',
  crop: 'cherimoya',
  block: 'Bank',
  row: 3,
  position: 1,
  lotId: lotCode,
  lotCode,
  pollenParent: 'Lantern',
  flowers: 6,
  byStage,
  expected: 4.8,
  viability: 0.81,
  why: 'Another variety of the same crop.',
  strokes: [sheetSays('To the base once and out.')],
  cleanBefore: [],
  kind: 'POLLINATE',
  wanted: false,
  say: [],
  handling: [],
  limbs: [],
  onlyNow: false,
});

type FruitRow = Schemas['FruitSetRow'];

/** Six flowers whose first check is due. */
export function fruitRow({
  pollination,
  ...part
}: Omit<Partial<FruitRow>, 'pollination'> & {
  pollination?: Partial<FruitRow['pollination']>;
} = {}): FruitRow {
  return {
    pollination: {
      id: 'p1',
      treeId: 't1',
      treeName: 'Lantern 3',
      crop: 'cherimoya',
      lotId: 'l1',
      lotCode: 'PR-01',
      pollenParent: 'Pale Ridge',
      flowers: 6,
      doneAt: '2026-11-16T05:35:00Z',
      mark: 'petal nick',
      colour: '',
      tag: '',
      again: false,
      how: { treatment: 'HAND' },
      recordedBy: 'a',
      version: 0,
      ...pollination,
    },
    block: 'Bank',
    row: 2,
    position: 3,
    pollinatedOn: '2026-11-16',
    checks: [],
    due: { on: '2026-11-23', now: true, day: 7, name: 'First check', lookFor: 'Green stalk.' },
    ...part,
  };
}
