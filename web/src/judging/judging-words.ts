import type { Schemas } from '../api/api';
import { decimal } from '../format/numbers';

type Trait = Schemas['Trait'];

export const BETTER: Record<Trait['better'], string> = {
  HIGH: 'high is good',
  LOW: 'low is good',
  NEITHER: 'neither end is better',
};

/** Its scale: “1 to 9”, “0 to 52 weeks”. */
export const scaleWords = (t: Pick<Trait, 'low' | 'high' | 'unit'>): string =>
  `${decimal(t.low, 0)} to ${decimal(t.high, 0)}${t.unit ? ` ${t.unit}` : ''}`;

/** A number in a trait: as many places as its scale is worth. */
export const scored = (value: number, t: Pick<Trait, 'low' | 'high' | 'unit'>): string =>
  `${decimal(value, t.high - t.low > 20 ? 0 : 1)}${t.unit ? ` ${t.unit}` : ''}`;

/** Agreement of scores, in words. */
export const AGREEMENT: Record<Schemas['ScoreAgreement']['verdict'], string> = {
  AGREE: 'Scores of one plant agree well.',
  HARDLY_AGREE: 'Scores of one plant hardly agree: judge more often, or agree on the scale.',
  NOT_SURE: 'Whether scores of one plant agree is not sure yet.',
};

/** Traits that growers often begin with. */
export const SUGGESTED: Pick<Trait, 'name' | 'unit' | 'low' | 'high' | 'better'>[] = [
  { name: 'Taste', unit: '', low: 1, high: 9, better: 'HIGH' },
  { name: 'Ripening', unit: 'days after full bloom', low: 40, high: 300, better: 'NEITHER' },
  { name: 'Keeping', unit: 'weeks', low: 0, high: 52, better: 'HIGH' },
  { name: 'Flesh colour', unit: '', low: 1, high: 9, better: 'HIGH' },
  { name: 'Vigour', unit: '', low: 1, high: 9, better: 'NEITHER' },
  { name: 'Disease', unit: '', low: 0, high: 5, better: 'LOW' },
];
