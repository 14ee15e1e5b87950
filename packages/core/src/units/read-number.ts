import { Unreadable } from '../errors';

/** As numbers are shown here: what is copied from the page can be typed. */
const TYPOGRAPHIC_MINUS = '−';
const PLAIN_NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)$/;

/**
 * The number that a person typed, with a point or a comma as decimal mark and blanks between thousands.
 * "1,234.5" is refused rather than guessed: it is read differently on the two sides of an ocean.
 * @throws Unreadable with what to type instead
 */
export function readNumber(text: string): number {
  const compact = text.trim().replace(/[\s\u00a0\u202f]/g, '');
  if (compact === '') throw new Unreadable('Type a number.');
  const marks = compact.replace(/[^.,]/g, '');
  if (marks.length > 1) throw new Unreadable(`"${text}" has more than one decimal mark. Type it without thousands separators.`);
  const plain = compact.replace(',', '.').replace(TYPOGRAPHIC_MINUS, '-');
  if (!PLAIN_NUMBER.test(plain)) throw new Unreadable(`"${text}" is not a number. Type digits with one decimal mark, such as 24.6.`);
  return Number(plain);
}
