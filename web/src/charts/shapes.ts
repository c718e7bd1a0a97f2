import { area } from 'd3-shape';

type Place = (i: number) => number;

/** The outline of values over (sign 1) or under (sign -1) a middle line, closed along it. */
export const half = (values: number[], x: Place, middle: number, scale: number, sign: 1 | -1): string =>
  area<number>()
    .digits(1)
    .x((_, i) => x(i))
    .y0(middle)
    .y1((v) => middle - sign * v * scale)(values) ?? '';

/** A band between a low and a high line. */
export const band = <T>(
  points: T[],
  x: (of: T) => number,
  low: (of: T) => number,
  high: (of: T) => number,
): string => area<T>().digits(1).x(x).y0(low).y1(high)(points) ?? '';
