import { unparse } from 'papaparse';

export type CsvRow = Readonly<Record<string, string | number | null>>;

/** What a spreadsheet would compute instead of showing it; a signed number is none. Marks that stand before it already count too. */
const FORMULA = /^'*\s*(?:[=@\t\r]|[+-](?!\d+(?:[.,]\d+)?$))/;

/** A table as text (RFC 4180): names are typed by anybody, so a cell that begins like a formula gets an apostrophe and stays text. */
export const csvOf = (rows: readonly CsvRow[]): string => unparse([...rows], { newline: '\r\n', escapeFormulae: FORMULA });

/** A cell as it was before `csvOf` kept it from being computed. */
export const asWritten = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell);
