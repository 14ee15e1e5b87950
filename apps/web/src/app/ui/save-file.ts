import { csvOf, type CsvRow } from './csv';

/** Gives the person a file of these rows (RFC 4180, UTF-8). */
export const saveCsv = (fileName: string, rows: readonly CsvRow[]): void =>
  save(fileName, new Blob([csvOf(rows)], { type: 'text/csv;charset=utf-8' }));

/** Gives the person a file of these records. */
export const saveJson = (fileName: string, records: readonly object[]): void =>
  save(fileName, new Blob([JSON.stringify(records, undefined, 2)], { type: 'application/json' }));

export function save(fileName: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = fileName;
  link.click();
  URL.revokeObjectURL(url);
}
