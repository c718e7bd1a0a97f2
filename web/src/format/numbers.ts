import type { Schemas } from '../api/api';
import { locale } from '../text/locale';
import { t } from '../text/text';

export type Units = 'METRIC' | 'IMPERIAL';

/** 24 °C or 75 °F */
export const temperature = (celsius: number, units: Units): string =>
  units === 'METRIC' ? `${Math.round(celsius)}\u00a0°C` : `${Math.round(celsius * 1.8 + 32)}\u00a0°F`;

export const toFahrenheit = (celsius: number): number => Math.round((celsius * 1.8 + 32) * 10) / 10;
export const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;

/** 0.61 → 61 %; a share that is small but not nothing never reads as nothing */
export const percent = (share: number): string =>
  share > 0 && share < 0.005 ? '<1\u00a0%' : `${Math.round(share * 100)}\u00a0%`;

/** 3.24 → 3.2, or 3,2 where a comma divides */
export const decimal = (n: number, digits: number): string =>
  n.toLocaleString(locale(), { minimumFractionDigits: digits, maximumFractionDigits: digits });

/** 2.50 → 2.5, 3.333 → 3.33: at most two decimals, none that say nothing */
export const rounded = (n: number): string => n.toLocaleString(locale(), { maximumFractionDigits: 2 });

/** 11.0 → 11 fruits, 3.24 → 3.2 fruits; nobody foresees more digits than that */
export const aboutFruits = (fruits: number): string =>
  t('number.about-fruits', { n: fruits < 9.5 ? decimal(fruits, 1) : decimal(fruits, 0) });

/** 0.55, 0.68 → 55–68 %, never broken over two lines */
export const percentRange = (low: number, high: number): string =>
  high < 0.005 ? percent(high) : `${Math.round(low * 100)}\u2060–\u2060${percent(high)}`;

/** Exact by definition: agreement on the international yard and pound, 1959. */
const INCH_MM = 25.4;
const OUNCE_G = 28.349523125;

/** Units in which something is told: how many of the metric one it holds, and with how many decimals. */
const MEASURES = {
  /** of a fruit; g */
  weight: {
    METRIC: { unit: 'g', size: 1, digits: 0 },
    IMPERIAL: { unit: 'oz', size: OUNCE_G, digits: 1 },
  },
  /** of all fruit; kg */
  harvest: {
    METRIC: { unit: 'kg', size: 1, digits: 1 },
    IMPERIAL: { unit: 'lb', size: (16 * OUNCE_G) / 1000, digits: 1 },
  },
  /** of a fruit; mm */
  length: {
    METRIC: { unit: 'mm', size: 1, digits: 0 },
    IMPERIAL: { unit: 'in', size: INCH_MM, digits: 2 },
  },
  /** of a trunk; cm */
  girth: {
    METRIC: { unit: 'cm', size: 1, digits: 1 },
    IMPERIAL: { unit: 'in', size: INCH_MM / 10, digits: 1 },
  },
} as const;
export type Measured = keyof typeof MEASURES;

export const measure = (of: Measured, units: Units) => MEASURES[of][units];

/** 463.7 g → 464 g or 16.4 oz */
export const inUnits = (of: Measured, value: number, units: Units): string => {
  const { unit, size, digits } = measure(of, units);
  return `${decimal(value / size, digits)}\u00a0${unit}`;
};

/** Keeps numbers of a sentence on one line with what they count: 95 % */
export const tied = (sentence: string): string =>
  sentence.replace(/(\d) (?=(%|°[CF]|kPa|k?g|oz|lb|mm)(?![a-z]))/g, '$1\u00a0');

/** Expected flowers as a whole number a person would say; never 0 where there is a fair chance of one. */
export const flowers = (mean: number): number => Math.round(mean);

/** What a number of a crop sheet rests on, in words. */
export const basisWord = (basis: string, source?: string): string =>
  basis === 'OWN'
    ? t('basis.own')
    : basis === 'PRACTICE'
      ? t('basis.practice')
      : basis === 'PUBLISHED'
        ? t('basis.published', { source })
        : t('basis.memory');

/** The counts of a series, one a moment. */
export const counts = (series: Schemas['FlowerSeries']): Schemas['FlowerCount'][] =>
  series.mean.map((mean, i) => ({ mean, low: series.low[i]!, high: series.high[i]! }));

/** 1.4 kPa */
export const kilopascal = (kpa: number): string => `${decimal(kpa, 1)}\u00a0kPa`;
