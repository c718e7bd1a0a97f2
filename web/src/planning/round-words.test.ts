import { describe, expect, it } from 'vitest';
import { roundStop } from '../test/samples';
import { byFather, flowersWords, stopWhy, waitingFor } from './round-words';

const stop = (lotCode: string, treeName: string) => roundStop(treeName, lotCode);

describe('the round in words', () => {
  it('groups the walk by father and keeps its order', () => {
    const groups = byFather([stop('LA-02', 'A'), stop('LA-02', 'B'), stop('PR-02', 'C')]);
    expect(groups.map((g) => [g.code, g.stops.map((s) => s.treeName)])).toEqual([
      ['LA-02', ['A', 'B']],
      ['PR-02', ['C']],
    ]);
  });

  it('gives every choice its reason and every flower left its cause', () => {
    expect(stopWhy(stop('LA-02', 'A'))).toMatch(/Another variety.*81\s% of LA-02.*6 flowers count as 4\.8/);
    const waits = (tree: string, flowers: number, at: string, lot: string) => ({
      treeId: tree,
      tree,
      flowers,
      at,
      lot,
    });
    expect(
      waitingFor([
        waits('B', 2, '2026-11-25T03:10:00Z', 'fresh Lantern'),
        waits('A', 7, '2026-11-24T07:40:00Z', 'fresh Lantern'),
        waits('C', 1, '2026-11-25T03:10:00Z', 'fresh Lantern'),
      ]).map((g) => [g.flowers, g.trees]),
    ).toEqual([
      [7, '7 of A'],
      [3, '2 of B, 1 of C'],
    ]);
  });

  it('keeps the steps on a cross with the jar of its visit, and those without a visit for themselves', () => {
    const step = (kind: 'THIN' | 'BAG' | 'BAG_OFF', label: string) => ({
      ...stop('', 'Harrow 1'),
      lotId: undefined,
      kind,
      cross: { fatherId: 'e', father: 'Ember', label },
    });
    const visit = { ...stop('E-01', 'Harrow 1'), cross: { fatherId: 'e', father: 'Ember', label: '26-1' } };
    const stops = [
      step('THIN', '26-2'),
      stop('E-01', 'A'),
      step('THIN', '26-1'),
      visit,
      step('BAG', '26-1'),
      step('BAG_OFF', '26-3'),
    ];
    expect(byFather(stops).map((g) => [g.code, g.stops.length])).toEqual([
      ['Crosses', 1],
      ['E-01', 4],
      ['Crosses', 1],
    ]);
    expect(flowersWords(stops)).toBe('12 flowers');
  });

  it('tells flowers that had pollen before apart', () => {
    const again = { ...stop('LA-02', 'A'), kind: 'POLLINATE_AGAIN' as const, againOf: 'p1' };
    expect(flowersWords([stop('LA-02', 'A'), again])).toBe('6 flowers and 6 once more');
    expect(flowersWords([again])).toBe('6 flowers once more');
  });
});
