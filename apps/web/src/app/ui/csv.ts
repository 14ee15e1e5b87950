import { unparse } from 'papaparse';

/** Gives the person a file of these rows (RFC 4180, UTF-8). */
export function saveCsv(fileName: string, rows: readonly Readonly<Record<string, string | number | null>>[]): void {
  const url = URL.createObjectURL(new Blob([unparse([...rows], { newline: '\r\n' })], { type: 'text/csv;charset=utf-8' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = fileName;
  link.click();
  URL.revokeObjectURL(url);
}
