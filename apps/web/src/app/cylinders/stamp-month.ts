import { dayOf } from '../ui/day';

export type StampReading =
  | { readonly state: 'empty' }
  | { readonly state: 'good'; readonly month: string }
  | { readonly state: 'bad'; readonly sentence: string };

const STAMP = /^(\d{1,2})\s*[-/. ]\s*(\d{2}|\d{4})$/;

/** Two digits from here on are of the last century: no stamp is made that far ahead. */
const LAST_CENTURY_DIGITS = 60;
const fullYear = (year: string) => (year.length === 4 ? year : `${Number(year) >= LAST_CENTURY_DIGITS ? '19' : '20'}${year}`);

/** Reads a stamp as it stands on the collar, month and year: "11-21" or "11/2021". What is stamped was tested before today. */
export function readStamp(text: string, today = dayOf(new Date())): StampReading {
  if (text.trim() === '') return { state: 'empty' };
  const [, month, year] = STAMP.exec(text.trim()) ?? [];
  if (month === undefined || year === undefined)
    return { state: 'bad', sentence: $localize`"${text}" is no stamp. Type month and year as on the collar, such as 11-21.` };
  if (Number(month) < 1 || Number(month) > 12)
    return { state: 'bad', sentence: $localize`There is no month ${month}. The month stands first, then the year.` };
  const stamped = `${fullYear(year)}-${month.padStart(2, '0')}`;
  if (stamped > today.slice(0, 7))
    return { state: 'bad', sentence: $localize`The stamp ${text.trim()} is in the future. Read month and year again.` };
  return { state: 'good', month: stamped };
}
