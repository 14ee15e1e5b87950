import { locale } from '../language/locale';

export const twoDigits = (value: number): string => String(value).padStart(2, '0');

/** The day as this device counts it, "2026-11-26". */
export const dayOf = (date: Date): string => `${date.getFullYear()}-${twoDigits(date.getMonth() + 1)}-${twoDigits(date.getDate())}`;

const thisYear = new Intl.DateTimeFormat(locale(), { weekday: 'short', month: 'short', day: 'numeric' });
const otherYear = new Intl.DateTimeFormat(locale(), { weekday: 'short', month: 'short', day: 'numeric', year: 'numeric' });
const shortDay = new Intl.DateTimeFormat(locale(), { month: 'short', day: 'numeric' });
const withYear = new Intl.DateTimeFormat(locale(), { month: 'short', day: 'numeric', year: 'numeric' });
const inFull = new Intl.DateTimeFormat(locale(), { weekday: 'long', month: 'long', day: 'numeric' });

/** A day as people say it, from "2026-11-29": today, tomorrow, Sun, Nov 29; with its year where that is another. */
export function dayWords(day: string, today = dayOf(new Date())): string {
  if (day === today) return $localize`today`;
  if (day === dayOf(new Date(noonOf(today).getTime() + 86_400_000))) return $localize`tomorrow`;
  return (day.slice(0, 4) === today.slice(0, 4) ? thisYear : otherYear).format(noonOf(day));
}

/** "Nov 29". */
export const monthDay = (day: string): string => shortDay.format(noonOf(day));

/** "Nov 29, 2026". */
export const monthDayYear = (day: string): string => withYear.format(noonOf(day));

/** A day as a heading, "Sunday, November 29". */
export const longDay = (day: string): string => inFull.format(noonOf(day));

/** Far from midnight, whatever the clocks do that night. */
const noonOf = (day: string): Date => new Date(`${day}T12:00:00`);

const inMinutes = new Intl.DateTimeFormat(locale(), {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
});
const timeOnly = new Intl.DateTimeFormat(locale(), { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
/** "07:40" by the clock of this device. */
export const clockText = (at: number): string => timeOnly.format(at);

/** A moment by the clock of this device, "Nov 29, 2026, 07:40". */
export const momentText = (instant: string): string => inMinutes.format(new Date(instant));
