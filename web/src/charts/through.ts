/** A line through points given by their places. Without d3's shapes: the light bar is part of every first load. */
export const through = <T>(points: T[], x: (of: T, i: number) => number, y: (of: T) => number): string =>
  points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p, i).toFixed(1)},${y(p).toFixed(1)}`).join('');
