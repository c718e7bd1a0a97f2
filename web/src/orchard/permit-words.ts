import type { Schemas } from '../api/api';
import { calendarDate, listed } from '../format/time';

type Notice = Schemas['PermitNotice'];

export const SCOPES: Record<Notice['scope'], string> = {
  FLOWERS: 'Work on the flowers of a protected species',
  POLLEN_IN: 'Pollen that comes from another property',
  POLLEN_OUT: 'Pollen that goes to another property',
};

const SUBJECT: Record<Notice['scope'], string> = {
  FLOWERS: 'for work on its flowers',
  POLLEN_IN: 'for pollen that comes from elsewhere',
  POLLEN_OUT: 'for pollen that goes elsewhere',
};

/** What permits do not cover, and what to do. */
export function noticeWords({ scope, crops, state, day }: Notice): string {
  const of = `${crops.length > 0 ? listed(crops) : 'Every crop'}: `;
  switch (state) {
    case 'ENDS_SOON':
      return `${of}the permit ${SUBJECT[scope]} ends on ${calendarDate(day!)}. Ask the authority for the next one.`;
    case 'NOT_YET':
      return `${of}the permit ${SUBJECT[scope]} begins on ${calendarDate(day!)}. Until then, ask the authority first.`;
    case 'ENDED':
      return `${of}the permit ${SUBJECT[scope]} ended on ${calendarDate(day!)}. Ask the authority first.`;
    default:
      return `${of}no permit ${SUBJECT[scope]} is recorded. Ask the authority first.`;
  }
}

/** How permits stood to a jar that came or went on a day. */
export const jarPermitWords = (notice: Notice): string =>
  notice.state === 'HOLDS' || notice.state === 'ENDS_SOON'
    ? 'A permit on record covers it.'
    : `No permit on record covers it. Where pollen may not move freely, ask the authority.`;
