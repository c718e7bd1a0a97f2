import type { Schemas } from '../api/api';
import { calendarDay, plural } from '../format/time';
import { decimal } from '../format/numbers';

type Season = Schemas['Season'];

/** What comes next this season, in one sentence. */
export function seasonSentence(season: Season): string {
  const coming = season.varieties
    .filter((v) => !v.recorded && v.first && v.first.latest >= season.today)
    .sort((a, b) => a.first!.expected.localeCompare(b.first!.expected))[0];
  const apart = season.pairs.filter((p) => p.kind === 'KEEP' || p.kind === 'LAST_YEARS').length;
  const bridge =
    apart === 0 ? '' : ` ${plural(apart, 'pair')} of varieties miss each other: their pollen must be kept.`;
  if (coming)
    return `${coming.name} is foreseen to begin on ${calendarDay(coming.first!.expected)}, between ${calendarDay(coming.first!.earliest)} and ${calendarDay(coming.first!.latest)}.${bridge}`;
  const known = season.varieties.filter((v) => v.recorded).length;
  if (known > 0)
    return `${plural(known, 'variety').replace('varietys', 'varieties')} have begun this season.${bridge}`;
  return 'Write down when each variety flowers; from the second year on this page foresees it.';
}

/** How a day was foreseen. */
export function outlookWords(o: Schemas['BloomOutlook']): string {
  const method =
    o.method === 'CALENDAR'
      ? 'The mean day of the past years'
      : 'Chill first, then heat, until the mean sum of the past years is reached';
  return `${method}, from ${plural(o.years, 'year')}. Foreseeing each of those years from the others was off by ${decimal(o.errorDays, 1)} days.`;
}

/** Whether and when the pollen gets there. */
export function servesWords(p: Schemas['BloomOverlap']): string {
  if (p.kind === 'FRESH')
    return p.freshFrom === p.freshUntil
      ? `fresh on ${calendarDay(p.freshFrom!)}`
      : `fresh ${calendarDay(p.freshFrom!)} to ${calendarDay(p.freshUntil!)}`;
  if (p.kind === 'KEEP') return `it is over before; keep its pollen ${plural(p.keepDays, 'day')} or more`;
  if (p.kind === 'LAST_YEARS') return `it comes after; use last year’s, kept ${plural(p.keepDays, 'day')}`;
  return 'they never meet';
}

/** "A second visit helps until day 3 after opening." */
export function visitWords(v: Schemas['EffectiveVisits']): string {
  const last = v.days.at(-1);
  if (last === undefined) return 'Too cold for the pollen to arrive in time, even on the first day.';
  const tube = v.tubeDays ? `; its tube needs ${plural(v.tubeDays, 'day')}` : '';
  return last === 0
    ? `Only the day of opening helps${tube}.`
    : `A visit helps until day ${last} after opening${tube}.`;
}
