import { screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { show } from '../test/screen';
import { Curves } from './Curves';
import { IntervalRows } from './IntervalRows';
import { Odds } from './Odds';

const rate = (taken: number, decided: number): Schemas['SetRate'] => ({
  taken,
  decided,
  share: taken / decided,
  lower: 0.2,
  upper: 0.7,
  confidence: 0.95,
});
const curve = (name: string, part: Partial<Schemas['RetentionCurve']> = {}): Schemas['RetentionCurve'] => ({
  level: name,
  name,
  followed: 40,
  lost: 20,
  lastDay: 40,
  steps: [
    { day: 7, atRisk: 40, share: 0.75, lower: 0.6, upper: 0.85 },
    { day: 12, atRisk: 30, share: 0.5, lower: 0.35, upper: 0.64 },
  ],
  ...part,
});

/** The page as wide as a desk, or as a phone. */
function wide(width: number) {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(private readonly told: (e: unknown[]) => void) {}
      observe(target: Element) {
        this.told([{ target, contentRect: { width, height: 400, x: 0, y: 0, top: 0, left: 0 } }]);
      }
      unobserve() {}
      disconnect() {}
    },
  );
}

beforeEach(() =>
  vi.stubGlobal('requestAnimationFrame', (f: FrameRequestCallback) => setTimeout(() => f(0), 0)),
);
afterEach(() => vi.unstubAllGlobals());

describe('shares with their intervals', () => {
  const rows = [
    { name: 'fresh', rate: rate(40, 60), few: false, undecided: 3 },
    { name: 'old', rate: rate(4, 10), few: true },
    { name: 'unborn' },
  ];

  it.each([900, 360])(
    'are drawn at %i pixels, hatched where flowers are few, and told in words',
    async (width) => {
      wide(width);
      show(<IntervalRows rows={rows} label="Age" />);
      const picture = await screen.findByRole('img');
      expect(picture).toHaveAccessibleName(
        /Age: fresh 67\s%, between 20\s% and 70\s%; old 40\s%, .*; unborn not decided/,
      );
      const bars = picture.querySelectorAll('g rect');
      expect(bars).toHaveLength(2);
      expect(bars[0]!.getAttribute('fill')).toBe('var(--leaf)');
      expect(bars[1]!.getAttribute('fill')).toMatch(/^url\(#/);
      expect(within(picture).getByText('not decided yet')).toBeInTheDocument();
      for (const text of picture.querySelectorAll('text')) {
        expect(Number(text.getAttribute('x'))).toBeGreaterThanOrEqual(0);
        expect(Number(text.getAttribute('x'))).toBeLessThan(width);
      }
    },
  );

  it('has a table behind it that says the same', () => {
    show(<IntervalRows rows={rows} label="Age" />);
    const lines = screen.getAllByRole('row', { hidden: true }).map((r) => r.textContent?.replace(/\s/g, ' '));
    expect(lines[1]).toBe('fresh40 of 6067 %20 % to 70 %3');
    expect(lines[2]).toBe('old (few)4 of 1040 %20 % to 70 %0');
    expect(lines[3]).toBe('unborn–––0');
  });
});

describe('what still holds', () => {
  const retention = (curves: Schemas['RetentionCurve'][]): Schemas['Retention'] => ({
    factor: 'LOT_AGE',
    title: 'Age of the pollen',
    sentence: '',
    curves,
  });

  it('steps down at each loss, each curve with a stroke of its own, and labels do not lie on one another', async () => {
    wide(1000);
    show(<Curves of={retention([curve('fresh'), curve('old'), curve('kept', { lost: 0, steps: [] })])} />);
    const picture = await screen.findByRole('img');
    expect(picture).toHaveAccessibleName(/fresh 50\s% after 40 days; old 50\s% after 40 days; kept 100\s%/);
    const curves = [...picture.querySelectorAll('g[fill=none] > path:first-child')];
    expect(new Set(curves.map((c) => c.getAttribute('stroke-dasharray'))).size).toBe(3);
    const heights = [...curves[0]!.getAttribute('d')!.matchAll(/[ML][\d.]+,([\d.]+)/g)].map((m) => m[1]);
    expect(new Set(heights).size, 'whole, and after each of two losses').toBe(3);
    const labels = ['fresh', 'old', 'kept'].map((n) =>
      Number(within(picture).getByText(n).getAttribute('y')),
    );
    const sorted = [...labels].sort((a, b) => a - b);
    expect(sorted[1]! - sorted[0]!).toBeGreaterThanOrEqual(16);
    expect(sorted[2]! - sorted[1]!).toBeGreaterThanOrEqual(16);
  });

  it('has its legend below on a phone, and a table for all', async () => {
    wide(340);
    show(<Curves of={retention([curve('fresh'), curve('kept', { steps: [], lost: 0 })])} />);
    expect(await screen.findAllByRole('listitem')).toHaveLength(2);
    const lines = screen.getAllByRole('row', { hidden: true }).map((r) => r.textContent?.replace(/\s/g, ' '));
    expect(lines[1]).toBe('fresh74075 %60 % to 85 %');
    expect(lines[3]).toBe('kept4040100 %none lost');
  });
});

describe('several causes', () => {
  const causes: Schemas['Causes'] = {
    flowers: 300,
    leftOut: [],
    sentence: '',
    effects: [
      {
        factor: 'LOT_AGE',
        title: 'Age of the pollen',
        name: '4 to 10 days',
        usual: 'within the hour',
        flowers: 60,
        oddsRatio: { value: 0.21, lower: 0.1, upper: 0.44 },
      },
      {
        factor: 'STROKES',
        title: 'Strokes',
        name: 'once in and out',
        usual: 'many, all round',
        flowers: 90,
        oddsRatio: { value: 0.8, lower: 0.4, upper: 1.6 },
      },
      {
        factor: 'HOUR',
        title: 'Hour of the day',
        name: '18 to 21 h',
        usual: '15 to 18 h',
        flowers: 90,
        oddsRatio: { value: 12, lower: 0.001, upper: 4000 },
      },
    ],
  };

  it.each([1000, 360])(
    'are drawn on an axis of ratios at %i pixels, sure ones plain, and stay inside',
    async (width) => {
      wide(width);
      show(<Odds of={causes} />);
      const picture = await screen.findByRole('img');
      expect(picture).toHaveAccessibleName(/4 to 10 days 0.21 times those of within the hour/);
      const points = [...picture.querySelectorAll('circle')];
      const bars = [...picture.querySelectorAll('g rect')].map((b) => b.getAttribute('fill'));
      expect(
        bars.map((fill) => fill === 'var(--leaf)'),
        'hatched where it may be chance',
      ).toEqual([true, false, false]);
      const x = points.map((p) => Number(p.getAttribute('cx')));
      expect(x[0]!).toBeLessThan(x[1]!);
      expect(x[1]!).toBeLessThan(x[2]!);
      for (const at of x) expect(at).toBeLessThan(width);
      expect(within(picture).getByText('no difference')).toBeInTheDocument();
    },
  );

  it('are told in a table', () => {
    show(<Odds of={causes} />);
    const lines = screen.getAllByRole('row', { hidden: true }).map((r) => r.textContent);
    expect(lines[1]).toBe('Age of the pollen: 4 to 10 dayswithin the hour600.210.10 to 0.44');
  });
});
