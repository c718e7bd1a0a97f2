import { describe, expect, it } from 'vitest';
import { NOW, ZONE } from '../test/samples';
import {
  clock,
  dayOfYear,
  dayOfYearAndClock,
  daysBetween,
  fromWallTime,
  longDay,
  plural,
  said,
  span,
  wallTime,
} from './time';

describe('time, as people at the orchard tell it', () => {
  it('shows the orchard’s own clock, wherever the reader is', () => {
    expect(clock(NOW, ZONE)).toBe('15:40');
    expect(longDay(NOW, ZONE)).toBe('Tuesday 24 November');
    expect(wallTime(NOW, ZONE)).toBe('2026-11-24T15:40');
  });

  it('counts days by the calendar there, not by 24 hours', () => {
    expect(daysBetween(NOW, new Date('2026-11-24T11:30:00Z'), ZONE)).toBe(1);
    expect(said(new Date('2026-11-24T10:30:00Z'), NOW, ZONE)).toBe('23:30');
    expect(said(new Date('2026-11-24T11:30:00Z'), NOW, ZONE)).toBe('tomorrow 00:30');
    expect(said(new Date('2026-11-26T04:15:00Z'), NOW, ZONE)).toBe('Thu 26 Nov 17:15');
    expect(said(new Date('2025-12-30T04:15:00Z'), NOW, ZONE)).toBe('30 Dec 2025, 17:15');
  });

  it('tells the year of another year, by the calendar there', () => {
    expect(dayOfYearAndClock(new Date('2026-03-01T02:00:00Z'), NOW, ZONE)).toBe('1 Mar, 15:00');
    // New year comes earlier there.
    expect(dayOfYear(new Date('2025-12-31T10:59:00Z'), NOW, ZONE)).toBe('31 Dec 2025');
    expect(dayOfYear(new Date('2025-12-31T11:00:00Z'), NOW, ZONE)).toBe('1 Jan');
  });

  it.each([
    'Pacific/Auckland',
    'America/Santiago',
    'Europe/London',
    'Asia/Kolkata',
    'America/St_Johns',
    'UTC',
  ])('turns a typed wall time into the moment and back in %s', (zone) => {
    for (let day = 0; day < 366; day += 1) {
      const at = new Date(Date.UTC(2026, 0, 1 + day, 5, 30));
      expect(fromWallTime(wallTime(at, zone), zone).toISOString()).toBe(at.toISOString());
    }
  });

  it('takes a sensible moment for an hour that the clocks skip, and the first of one that comes twice', () => {
    // On 27 September 2026 these clocks jump from 02:00 to 03:00, on 5 April they go from 03:00 back to 02:00.
    expect(wallTime(fromWallTime('2026-09-27T02:30', ZONE), ZONE)).toBe('2026-09-27T03:30');
    expect(fromWallTime('2026-04-05T02:30', ZONE).toISOString()).toBe('2026-04-04T13:30:00.000Z');
  });

  it('says spans in the unit one would use', () => {
    expect([0.3, 1, 1.5, 4.5, 14.2, 48, 96].map(span)).toEqual([
      '18 minutes',
      '1 hour',
      '1.5 hours',
      '4.5 hours',
      '14 hours',
      '2 days',
      '4 days',
    ]);
    expect(plural(1, 'flower')).toBe('1 flower');
  });
});
