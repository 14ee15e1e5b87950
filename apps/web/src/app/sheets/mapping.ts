import { quantityUnits } from '../ui/quantity-entry';
import { unitOf } from './cell';
import type { Cells, Column } from './sheet';

/** For each of our columns: which heading of the file it is, and the unit of its figures where they carry none. */
export type Mapping = Readonly<Record<string, { readonly heading: string; readonly unit: string }>>;

const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** The mapping that the headings themselves suggest: our own names or labels, with a unit behind where there is one ("Tare (lb)", tare_kg). */
export function suggested(columns: readonly Column[], headings: readonly string[]): Mapping {
  return Object.fromEntries(
    columns.map((column) => {
      const heading = headings.find((text) => means(text, column)) ?? '';
      return [column.name, { heading, unit: heading === '' ? '' : unitBehind(heading, column) }];
    }),
  );
}

function means(heading: string, column: Column): boolean {
  const names = [plain(column.name), plain(column.label)];
  if (names.includes(plain(heading))) return true;
  const unit = unitBehind(heading, column);
  return unit !== '' && names.some((name) => plain(heading).startsWith(name));
}

function unitBehind(heading: string, { quantity }: Column): string {
  if (quantity === undefined) return '';
  const words = heading.split(/[\s_()[\]]+/).filter((word) => word !== '');
  // "of water" belongs to its pound: the longest ending that is a unit
  for (let first = Math.max(1, words.length - 3); first < words.length; first++) {
    const unit = unitOf(words.slice(first).join(' '), quantity);
    if (unit !== undefined) return unit;
  }
  return '';
}

/** A row of the file under our names; a bare figure gets the unit of its column. */
export function cellsOf(columns: readonly Column[], headings: readonly string[], row: readonly string[], mapping: Mapping): Cells {
  return Object.fromEntries(
    columns.map(({ name, quantity }) => {
      const { heading, unit } = mapping[name] ?? { heading: '', unit: '' };
      const text = heading === '' ? '' : (row[headings.indexOf(heading)] ?? '').trim();
      const bare = quantity !== undefined && unit !== '' && /\d$/.test(text);
      return [name, bare ? `${text} ${(quantityUnits[quantity] as Readonly<Record<string, string>>)[unit] ?? unit}` : text];
    }),
  );
}
