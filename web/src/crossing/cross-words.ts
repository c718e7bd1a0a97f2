import type { Schemas } from '../api/api';
import { locale } from '../text/locale';
import { plural } from '../format/time';
import { t } from '../text/text';

type Stop = Schemas['RoundStop'];
export type Step = Stop['kind'];

/** What is to be done, as a heading. */
export const stepName = (step: Step): string => t(`step.${step}`);

/** The same in the middle of a sentence. */
export const stepWord = (step: Step): string => stepName(step).toLocaleLowerCase(locale());

/** What has been done, for a message. */
export const stepDone = (step: Step): string => t(`step-done.${step}`);

export const givesPollen = (kind: Step): boolean => kind === 'POLLINATE' || kind === 'POLLINATE_AGAIN';

/** The cross that flowers belong to, in a line; its number once it has one. */
export const crossWords = (stop: Stop): string =>
  stop.cross
    ? stop.cross.label
      ? t('cross.line', { label: stop.cross.label, mother: stop.varietyName, father: stop.cross.father })
      : t('cross.for', { mother: stop.varietyName, father: stop.cross.father })
    : '';

/** How far a request has come. */
export function wantedWords(w: Schemas['WantedCross']): string {
  const seeds = w.seeds === undefined ? '' : `for ${plural(w.seeds, 'seed')} `;
  const parts = [
    `${seeds}${w.made} of ${plural(w.flowers, 'flower')} pollinated`,
    ...(w.ready > 0 ? [`${w.ready} made ready or meant`] : []),
    ...(w.more > 0 ? [`${w.more} more wanted`] : []),
  ];
  return `${parts.join(', ')}.`;
}
