import type { Schemas } from '../api/api';
import { wallTime } from '../format/time';

const HOUR_MS = 3_600_000;

/** Maps moments to places on a line of some width. */
export interface TimeAxis {
  from: number;
  until: number;
  x: (at: number | string) => number;
  at: (x: number) => number;
}

export function timeAxis(from: string, until: string, width: number): TimeAxis {
  const start = Date.parse(from);
  const end = Date.parse(until);
  return {
    from: start,
    until: end,
    x: (at) => (((typeof at === 'string' ? Date.parse(at) : at) - start) / (end - start)) * width,
    at: (x) => start + (x / width) * (end - start),
  };
}

/** Whole clock hours there that are a multiple of `every`, as moments within the axis. */
export function ticks(axis: TimeAxis, every: number, zone: string): number[] {
  const found: number[] = [];
  const first = Math.ceil(axis.from / HOUR_MS) * HOUR_MS;
  for (let at = first; at <= axis.until; at += HOUR_MS) {
    const [hour, minute] = wallTime(new Date(at), zone).slice(11).split(':').map(Number);
    if (minute === 0 && hour! % Math.min(every, 24) === 0) found.push(at);
  }
  // Beyond a day: every second midnight, every third.
  return every > 24 ? found.filter((_, i) => i % Math.round(every / 24) === 0) : found;
}

/** Stretches of the axis between sunset and sunrise. Where the sun does not set there is none; where it does not rise, all. */
export function nights(axis: TimeAxis, suns: Schemas['SunDay'][]): [number, number][] {
  const found: [number, number][] = [];
  let dark = suns[0]?.sunrise ? axis.from : undefined;
  if (suns[0]?.alwaysDark) dark = axis.from;
  for (const sun of suns) {
    if (sun.sunrise) {
      if (dark !== undefined) found.push([dark, Date.parse(sun.sunrise)]);
      dark = undefined;
    }
    if (sun.sunset) dark = Date.parse(sun.sunset);
  }
  if (dark !== undefined) found.push([dark, axis.until]);
  return found
    .map(([a, b]): [number, number] => [Math.max(a, axis.from), Math.min(b, axis.until)])
    .filter(([a, b]) => b > a);
}

/** Rising places moved to the right as little as keeps them so far apart, then back from the end where they ran over it. */
export function apart(places: number[], gap: number, end: number): number[] {
  const moved: number[] = [];
  for (const x of places) moved.push(Math.max(x, (moved.at(-1) ?? -Infinity) + gap));
  for (let i = moved.length - 1; i >= 0; i--)
    moved[i] = Math.min(moved[i]!, i === moved.length - 1 ? end : moved[i + 1]! - gap);
  return moved;
}
