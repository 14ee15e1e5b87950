import type { Shipment } from '@hygromet/contract/shipment';
import type { FileContent } from '../sheets/read-file';
import { emptyLine, type LineDraft } from './receipt-draft';

/** Headings of a receipt as a table; a mass in pounds or kilograms. */
export const receiptColumns = [
  'cylinder',
  'net_lb',
  'net_kg',
  'purity_percent',
  'non_condensables_percent',
  'moisture_ppm',
  'acid_ppm',
  'credit',
] as const;
type Column = (typeof receiptColumns)[number];

export type ReadLines =
  | { readonly state: 'good'; readonly lines: Readonly<Record<string, LineDraft>> }
  | { readonly state: 'bad'; readonly sentence: string };

const wrong = (sentence: string): ReadLines => ({ state: 'bad', sentence });

/** What a file of the reclaimer says of each cylinder of the shipment. A row of another cylinder is named, and nothing is taken. */
export function linesOfFile(content: FileContent, shipment: Shipment): ReadLines {
  if (content.kind !== 'table')
    return wrong(content.kind === 'wrong' ? content.sentence : $localize`A receipt is a table (CSV) with a line of headings.`);
  const at = new Map(content.headings.map((heading, k) => [heading.toLowerCase().replaceAll(' ', '_'), k]));
  if (!at.has('cylinder')) return wrong($localize`No column is headed "cylinder".`);
  if (!at.has('net_lb') && !at.has('net_kg')) return wrong($localize`No column is headed "net_lb" or "net_kg".`);
  const lines: Record<string, LineDraft> = {};
  for (const row of content.rows) {
    const cell = (column: Column): string => (row[at.get(column) ?? -1] ?? '').trim();
    const found = shipment.lines.find(({ name }) => name.toLowerCase() === cell('cylinder').toLowerCase());
    if (found === undefined) return wrong($localize`${cell('cylinder') || $localize`A row without a number`} was not on this shipment.`);
    const unit = cell('net_kg') === '' ? 'lb' : 'kg';
    lines[found.cylinder] = {
      ...emptyLine(unit),
      received: { unit, text: cell(unit === 'kg' ? 'net_kg' : 'net_lb'), ounces: '' },
      purity: cell('purity_percent'),
      air: cell('non_condensables_percent'),
      moisture: cell('moisture_ppm'),
      acid: cell('acid_ppm'),
      credit: cell('credit'),
    };
  }
  return { state: 'good', lines };
}
