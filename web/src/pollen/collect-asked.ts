import type { Schemas } from '../api/api';

/** What a visit asks to be collected, given along by the page that sends people here. */
export interface Asked {
  varietyId: string;
  flowers: number;
  doses: number;
  /** where to go on once the jar is on the shelf */
  back: string;
}

/** The way to the form for what a visit wants collected first. */
export function toCollect(of: Schemas['PlannedCollecting'], back: string) {
  const state: Asked = { varietyId: of.varietyId, flowers: of.flowers, doses: of.doses, back };
  return { to: '/pollen/collect', state };
}
