export type StampReading =
  { readonly state: 'empty' } | { readonly state: 'good'; readonly month: string } | { readonly state: 'bad'; readonly sentence: string };

const STAMP = /^(\d{1,2})\s*[-/. ]\s*(\d{2}|\d{4})$/;

/** Reads a stamp as it stands on the collar, month and year: "11-21" or "11/2021". */
export function readStamp(text: string): StampReading {
  if (text.trim() === '') return { state: 'empty' };
  const [, month, year] = STAMP.exec(text.trim()) ?? [];
  if (month === undefined || year === undefined)
    return { state: 'bad', sentence: `"${text}" is no stamp. Type month and year as on the collar, such as 11-21.` };
  if (Number(month) < 1 || Number(month) > 12)
    return { state: 'bad', sentence: `There is no month ${month}. The month stands first, then the year.` };
  return { state: 'good', month: `${year.length === 2 ? `20${year}` : year}-${month.padStart(2, '0')}` };
}
