import { t } from '../text/text';
import { locale } from '../text/locale';

const formats = new Map<string, Intl.DateTimeFormat>();

/** Where the day has twice twelve hours. */
const TWELVE_HOURS: readonly string[] = ['en-US'];

function format(zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = locale() + zone + JSON.stringify(options);
  let found = formats.get(key);
  if (!found) {
    found = new Intl.DateTimeFormat(locale(), { timeZone: zone, ...options });
    formats.set(key, found);
  }
  return found;
}

/** 16:40, or 4:40 PM */
export const clock = (at: Date, zone: string): string =>
  format(
    zone,
    TWELVE_HOURS.includes(locale())
      ? { hour: 'numeric', minute: '2-digit' }
      : { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
  ).format(at);

/** Tuesday 24 November */
export const longDay = (at: Date, zone: string): string =>
  format(zone, { weekday: 'long', day: 'numeric', month: 'long' }).format(at).replace(',', '');

/** Tue 24 Nov */
export const shortDay = (at: Date, zone: string): string =>
  format(zone, { weekday: 'short', day: 'numeric', month: 'short' }).format(at).replace(',', '');

/** 24 Nov, 15:40 */
export const dayAndClock = (at: Date, zone: string): string =>
  `${format(zone, { day: 'numeric', month: 'short' }).format(at)}, ${clock(at, zone)}`;

/** 24 Nov; of another year than the one it is there now, 24 Nov 2025 */
export const dayOfYear = (at: Date, now: Date, zone: string): string => {
  const year = format(zone, { year: 'numeric' });
  return format(zone, {
    day: 'numeric',
    month: 'short',
    ...(year.format(at) !== year.format(now) && { year: 'numeric' }),
  }).format(at);
};

/** 24 Nov, 15:40; of another year than now, 24 Nov 2025, 15:40 */
export const dayOfYearAndClock = (at: Date, now: Date, zone: string): string =>
  `${dayOfYear(at, now, zone)}, ${clock(at, zone)}`;

/** 24 Nov, of a calendar date such as 2026-11-24 */
export const calendarDay = (date: string): string =>
  format('UTC', { weekday: 'short', day: 'numeric', month: 'short' })
    .format(new Date(`${date}T00:00:00Z`))
    .replace(',', '');

/** 24 Nov 2018, of a calendar date such as 2018-11-24 */
export const calendarDate = (date: string): string =>
  format('UTC', { day: 'numeric', month: 'short', year: 'numeric' }).format(new Date(`${date}T00:00:00Z`));

/** Number of whole calendar days from one moment to another, as people there count them. */
export function daysBetween(from: Date, to: Date, zone: string): number {
  const day = (at: Date) => Date.parse(`${wallTime(at, zone).slice(0, 10)}T00:00:00Z`);
  return Math.round((day(to) - day(from)) / 86_400_000);
}

/** The moment as people there would say it: "17:15", "tomorrow 17:15", "Thu 26 Nov 17:15". */
export function said(at: Date, now: Date, zone: string): string {
  const days = daysBetween(now, at, zone);
  if (days === 0) return clock(at, zone);
  if (days === 1) return t('time.tomorrow', { clock: clock(at, zone) });
  if (days === -1) return t('time.yesterday', { clock: clock(at, zone) });
  return format(zone, { year: 'numeric' }).format(at) === format(zone, { year: 'numeric' }).format(now)
    ? `${shortDay(at, zone)} ${clock(at, zone)}`
    : dayOfYearAndClock(at, now, zone);
}

/** The wall clock there as an input of type datetime-local wants it: 2026-11-24T15:40 */
export function wallTime(at: Date, zone: string): string {
  const parts = Object.fromEntries(
    format(zone, {
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    })
      .formatToParts(at)
      .map((p) => [p.type, p.value]),
  ) as Record<string, string>;
  return `${parts.year}-${parts.month}-${parts.day}T${parts.hour}:${parts.minute}`;
}

/**
 * The moment at which the clock there shows a wall time. Of a time that the clocks skip in spring the moment after the gap is
 * taken, of one that comes twice in autumn the first.
 */
export function fromWallTime(wall: string, zone: string): Date {
  const asUtc = Date.parse(`${wall}:00Z`);
  const offsetAt = (at: number) =>
    Date.parse(`${wallTime(new Date(at), zone)}:00Z`) - Math.floor(at / 60_000) * 60_000;
  const before = asUtc - offsetAt(asUtc - 86_400_000);
  const after = asUtc - offsetAt(asUtc + 86_400_000);
  const fits = [before, after].filter((at) => at + offsetAt(at) === asUtc);
  return new Date(fits.length > 0 ? Math.min(...fits) : before);
}

/** "2 days", "14 hours", "4.5 hours", "20 minutes" */
export function span(hours: number): string {
  if (hours < 1) return t('time.minutes', { n: Math.max(1, Math.round(hours * 60)) });
  if (hours < 10) return t('time.hours', { n: Math.round(hours * 2) / 2 });
  if (hours < 36) return t('time.hours', { n: Math.round(hours) });
  return t('time.days', { n: Math.round(hours / 24) });
}

/** "1 flower", "2 flowers"; "2 crosses" where more than one is said otherwise */
export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** "Lantern and Ettin", "a, b and c" */
export const listed = (names: string[]): string =>
  new Intl.ListFormat(locale(), { type: 'conjunction' }).format(names);

/** The date so many days after a date, as `2026-11-28`. */
export function dayAfter(day: string, days: number): string {
  const [y, m, d] = day.split('-').map(Number);
  return new Date(Date.UTC(y!, m! - 1, d! + days)).toISOString().slice(0, 10);
}
