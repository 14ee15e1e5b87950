import { usualHold } from '@hygromet/core/proof/usual-test';
import { locale } from '../../language/locale';

/** Until when a hold runs: as a person says it. */
export type HoldUntil = 'watched' | 'morning' | 'monday';

/** The morning of the next day, or of the next Monday, by the clock of this device. */
export function comeBackAt(until: HoldUntil, now: Date): Date | undefined {
  if (until === 'watched') return undefined;
  const at = new Date(now.getFullYear(), now.getMonth(), now.getDate() + 1, usualHold.comeBackHour);
  while (until === 'monday' && !isMonday(at)) at.setDate(at.getDate() + 1);
  return at;
}

/** As `Date` counts the days of a week, from Sunday on. */
const isMonday = (at: Date): boolean => at.getDay() === 1;

const inWords = new Intl.DateTimeFormat(locale(), { weekday: 'long', hour: 'numeric', minute: '2-digit' });
/** "Monday, 7:00 AM". */
export const comeBackText = (at: Date): string => inWords.format(at).replace(' at ', ', ');

/** "2 d 13 h", "40 min". */
export function durationText(seconds: number): string {
  const minutes = Math.max(0, Math.round(seconds / 60));
  const [days, hours] = [Math.floor(minutes / 1440), Math.floor((minutes % 1440) / 60)];
  if (days > 0) return hours > 0 ? `${days} d ${hours} h` : `${days} d`;
  return hours > 0 ? $localize`${hours} h ${minutes % 60} min` : $localize`${minutes} min`;
}
