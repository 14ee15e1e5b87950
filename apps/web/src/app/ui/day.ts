export const twoDigits = (value: number): string => String(value).padStart(2, '0');

/** The day as this device counts it, "2026-11-26". */
export const dayOf = (date: Date): string => `${date.getFullYear()}-${twoDigits(date.getMonth() + 1)}-${twoDigits(date.getDate())}`;

const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short' });
const dayMonth = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });

/** A day as people say it, from "2026-11-29": today, tomorrow, Sun 29 Nov; with its year where that is another. */
export function dayWords(day: string, today = dayOf(new Date())): string {
  if (day === today) return 'today';
  if (day === dayOf(new Date(noonOf(today).getTime() + 86_400_000))) return 'tomorrow';
  const date = noonOf(day);
  const year = day.slice(0, 4) === today.slice(0, 4) ? '' : ` ${day.slice(0, 4)}`;
  return `${weekday.format(date)} ${dayMonth.format(date)}${year}`;
}

/** Far from midnight, whatever the clocks do that night. */
const noonOf = (day: string): Date => new Date(`${day}T12:00:00`);
