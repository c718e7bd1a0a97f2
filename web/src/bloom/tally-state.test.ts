import { describe, expect, it } from 'vitest';
import { emptyTally, tapped, total, undone } from './tally-state';

describe('a tally', () => {
  it('counts each tap and takes each back in turn', () => {
    const counted = ['parted', 'parted', 'closed', 'parted'].reduce((t, s) => tapped(t, s), emptyTally);
    expect(counted.counts).toEqual({ parted: 3, closed: 1 });
    expect(total(counted)).toBe(4);
    const back = undone(undone(counted));
    expect(back.counts).toEqual({ parted: 2, closed: 0 });
  });

  it('undoes a "one less" by one more, and never goes below none', () => {
    const one = tapped(emptyTally, 'closed');
    expect(undone(tapped(one, 'closed', -1)).counts).toEqual({ closed: 1 });
    expect(tapped(emptyTally, 'closed', -1)).toBe(emptyTally);
    expect(undone(emptyTally)).toBe(emptyTally);
  });

  it('ends where it began after any taps are undone', () => {
    let tally = emptyTally;
    for (let i = 0; i < 200; i += 1) tally = tapped(tally, `s${(i * 7) % 5}`, i % 3 === 0 ? -1 : 1);
    while (tally.taps.length > 0) tally = undone(tally);
    expect(total(tally)).toBe(0);
    expect(Object.values(tally.counts).every((n) => n === 0)).toBe(true);
  });
});
