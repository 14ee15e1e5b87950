import { dayOf, twoDigits } from './day';

/** When something happened: nothing typed is now; else day and time on this device's clock, "2026-11-25T07:40". */
export type When = string;

export type WhenRead = { readonly state: 'good'; readonly instant: string } | { readonly state: 'bad'; readonly sentence: string };

export function readWhen(when: When, now: Date): WhenRead {
  if (when === '') return { state: 'good', instant: now.toISOString() };
  const date = new Date(when);
  if (Number.isNaN(date.getTime())) return { state: 'bad', sentence: $localize`Give day and time, or choose "now".` };
  if (date > now) return { state: 'bad', sentence: $localize`Time cannot be in the future. Give the time at which it happened.` };
  return { state: 'good', instant: date.toISOString() };
}

/** The minute as this device counts it. */
export const minuteOf = (date: Date): When => `${dayOf(date)}T${twoDigits(date.getHours())}:${twoDigits(date.getMinutes())}`;
