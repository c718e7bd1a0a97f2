import { describe, expect, it } from 'vitest';
import { roundStop } from '../test/samples';
import { byFather, stopWhy, unservedWords } from './round-words';

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
    expect(stopWhy(stop('LA-02', 'A'))).toMatch(/Another variety.*81\s% of LA-02.*6 flowers are worth 4\.8/);
    expect(
      unservedWords({ treeId: 'x', treeName: 'Lantern 1', flowers: 1, reason: 'NO_LOT_THAT_SERVES' }),
    ).toBe('Lantern 1: 1 flower left, no jar on the shelf can serve it.');
  });
});
