import type { Schemas } from '../api/api';
import { t } from '../text/text';

type Stage = Schemas['SeedsAlive']['stage'];
type Step = Schemas['SeedStep']['step'];

/** Where seeds and seedlings are, in the order in which they pass it. */
export const STAGES: Record<Stage, string> = {
  KEPT: 'kept',
  COLD: 'in the cold',
  SOWN: 'sown, not up',
  UP: 'up',
  POTTED: 'in pots',
  PLANTED: 'planted out',
};

/** Where they were when they were lost. */
const WHERE: Record<Stage, string> = {
  KEPT: 'while kept',
  COLD: 'in the cold',
  SOWN: 'in the soil',
  UP: 'in the tray',
  POTTED: 'in pots',
  PLANTED: 'after planting out',
};

const DONE: Record<Step, string> = {
  COOLED: 'laid in the cold',
  SOWN: 'sown',
  CAME_UP: 'came up',
  POTTED: 'potted',
  PLANTED: 'planted out',
  DIED: 'died',
  GIVEN_AWAY: 'given away',
  DISCARDED: 'discarded',
  SEEN: 'seen to',
};

const TO_DO: Record<Step, string> = {
  COOLED: 'Lay in the cold',
  SOWN: 'Sow',
  CAME_UP: 'Count what came up',
  POTTED: 'Pot',
  PLANTED: 'Plant out',
  DIED: 'Dead',
  GIVEN_AWAY: 'Give away',
  DISCARDED: 'Discard',
  SEEN: 'Seen to, nothing changed',
};

/** A step as something to choose: “Sow”, “Dead: in the cold”. */
export const stepChoice = (step: Step, at?: Stage): string =>
  at ? `${TO_DO[step]}: ${WHERE[at]}` : TO_DO[step];

/** What was done, in one line. */
export const stepDone = (d: Pick<Schemas['SeedStep'], 'step' | 'count' | 'at'>): string =>
  d.step === 'SEEN' ? 'seen to' : `${d.count} ${DONE[d.step]}${d.at ? ` ${WHERE[d.at]}` : ''}`;

/** The same, of a line of a story. */
export const stepInStory = (step: string, count: number): string =>
  step === 'SEEN' ? 'seen to' : `${count} ${DONE[step as Step]}`;

/** What is due, as an order. */
export function taskWords(task: Schemas['NurseryTask']): string {
  const words = t('nursery.task', { task: task.kind, n: task.count });
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** Mother and father: “Harrow × Ember”. */
export const parents = (of: { mother?: string; tree: string; father?: string | undefined }): string =>
  `${of.mother ?? of.tree} × ${of.father ?? 'unknown father'}`;
