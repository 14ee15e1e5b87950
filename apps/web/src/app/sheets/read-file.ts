import { parse } from 'papaparse';
import { asWritten } from '../ui/csv';

export type FileContent =
  | { readonly kind: 'table'; readonly headings: readonly string[]; readonly rows: readonly (readonly string[])[] }
  | { readonly kind: 'objects'; readonly objects: readonly object[] }
  | { readonly kind: 'wrong'; readonly sentence: string };

const wrong = (sentence: string): FileContent => ({ kind: 'wrong', sentence });

/** What a file holds: a table (CSV, RFC 4180), or a list of objects (JSON). */
export function readFile(name: string, text: string): FileContent {
  if (text.trim() === '') return wrong($localize`This file is empty.`);
  return name.toLowerCase().endsWith('.json') || /^\s*[[{]/.test(text) ? readJson(text) : readCsv(text);
}

function readJson(text: string): FileContent {
  try {
    const value: unknown = JSON.parse(text);
    if (Array.isArray(value) && value.every((entry) => typeof entry === 'object' && entry !== null && !Array.isArray(entry)))
      return { kind: 'objects', objects: value as object[] };
    return wrong($localize`This JSON holds no list of records.`);
  } catch {
    return wrong($localize`This is no complete JSON: it may have been cut short.`);
  }
}

function readCsv(text: string): FileContent {
  const { data, errors } = parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [headings, ...rows] = data;
  if (headings === undefined || headings.length < 2 || rows.length === 0)
    return wrong($localize`This is no table with a line of headings and at least one row under it.`);
  const quotes = errors.find(({ type }) => type === 'Quotes');
  if (quotes !== undefined) return wrong($localize`Line ${(quotes.row ?? 0) + 1} has a quotation mark that is never closed.`);
  return { kind: 'table', headings: headings.map((heading) => heading.trim()), rows: rows.map((row) => row.map(asWritten)) };
}
