import type { Schemas } from './api';

export type Units = 'METRIC' | 'IMPERIAL';

/** 24 °C or 75 °F */
export const temperature = (celsius: number, units: Units): string =>
  units === 'METRIC' ? `${Math.round(celsius)}\u00a0°C` : `${Math.round(celsius * 1.8 + 32)}\u00a0°F`;

export const toFahrenheit = (celsius: number): number => Math.round((celsius * 1.8 + 32) * 10) / 10;
export const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;

/** 0.61 → 61 %; a share that is small but not nothing never reads as nothing */
export const percent = (share: number): string =>
  share > 0 && share < 0.005 ? '<1\u00a0%' : `${Math.round(share * 100)}\u00a0%`;

/** 0.55, 0.68 → 55–68 %, never broken over two lines */
export const percentRange = (low: number, high: number): string =>
  high < 0.005 ? percent(high) : `${Math.round(low * 100)}\u2060–\u2060${percent(high)}`;

/** Expected flowers as a whole number a person would say; never 0 where there is a fair chance of one. */
export const flowers = (mean: number): number => Math.round(mean);

/** What a number of a crop sheet rests on, in words. */
export const basisWord = (basis: string, source?: string): string =>
  basis === 'OWN'
    ? 'your own'
    : basis === 'PRACTICE'
      ? 'common practice'
      : basis === 'PUBLISHED'
        ? `published: ${source}`
        : 'from memory';

/** The counts of a series, one a moment. */
export const counts = (series: Schemas['FlowerSeries']): Schemas['FlowerCount'][] =>
  series.mean.map((mean, i) => ({ mean, low: series.low[i]!, high: series.high[i]! }));

/** 1.4 kPa */
export const kilopascal = (kpa: number): string => `${kpa.toFixed(1)}\u00a0kPa`;
