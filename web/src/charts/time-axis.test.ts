import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/api';
import { apart, nights, ticks, timeAxis } from './time-axis';

const sun = (date: string, sunrise?: string, sunset?: string): Schemas['SunDay'] => ({
  date,
  noon: `${date}T00:10:00Z`,
  alwaysLight: false,
  alwaysDark: false,
  ...(sunrise && { sunrise }),
  ...(sunset && { sunset }),
});

describe('a time axis', () => {
  const axis = timeAxis('2026-11-24T02:40:00Z', '2026-11-26T02:40:00Z', 480);

  it('maps moments to places and back', () => {
    expect(axis.x('2026-11-25T02:40:00Z')).toBe(240);
    expect(axis.at(240)).toBe(Date.parse('2026-11-25T02:40:00Z'));
  });

  it('ticks at the clock hours of the orchard', () => {
    const hours = ticks(axis, 6, 'Pacific/Auckland').map((t) => new Date(t).toISOString());
    expect(hours[0]).toBe('2026-11-24T05:00:00.000Z');
    expect(hours).toHaveLength(8);
  });

  it('ticks on the hour in a zone that is half an hour off', () => {
    const half = timeAxis('2026-11-24T02:40:00Z', '2026-11-24T12:40:00Z', 100);
    expect(ticks(half, 6, 'Asia/Kolkata')).toEqual([]);
  });

  it('shades from sunset to sunrise, cut to the axis', () => {
    const suns = [
      sun('2026-11-24', '2026-11-23T17:05:00Z', '2026-11-24T07:17:00Z'),
      sun('2026-11-25', '2026-11-24T17:04:00Z', '2026-11-25T07:18:00Z'),
      sun('2026-11-26', '2026-11-25T17:04:00Z', '2026-11-26T07:19:00Z'),
    ];
    expect(
      nights(axis, suns).map(([a, b]) => [new Date(a).toISOString(), new Date(b).toISOString()]),
    ).toEqual([
      ['2026-11-24T07:17:00.000Z', '2026-11-24T17:04:00.000Z'],
      ['2026-11-25T07:18:00.000Z', '2026-11-25T17:04:00.000Z'],
    ]);
  });

  it('shades nothing in polar day and everything in polar night', () => {
    expect(nights(axis, [{ ...sun('2026-06-21'), alwaysLight: true }])).toEqual([]);
    expect(nights(axis, [{ ...sun('2026-12-21'), alwaysDark: true }])).toEqual([[axis.from, axis.until]]);
  });
});

describe('numbers over lines that lie close', () => {
  it('stand apart, near their lines and inside the picture', () => {
    expect(apart([10, 12, 100], 16, 300)).toEqual([10, 26, 100]);
    expect(apart([280, 290, 299], 16, 290)).toEqual([258, 274, 290]);
    expect(apart([], 16, 290)).toEqual([]);
  });
});
