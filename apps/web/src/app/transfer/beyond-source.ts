import type { Account } from '@hygromet/contract/account';
import type { Units } from '../preferences/units.service';

/** Of a cylinder two scales differ by little; a charge is known from plate and length to about a tenth (common practice). */
const SCALES_DIFFER_KG = 0.1;
const CHARGE_UNCERTAIN = 0.1;

/** More was moved than the book has where it comes from: one of the two is wrong. Nothing while they agree. */
export function beyondSource(
  source: Pick<Account, 'kind' | 'name' | 'massKg'> | undefined,
  movedKg: number,
  { massText }: Pick<Units, 'massText'>,
): string | undefined {
  if (source === undefined) return undefined;
  const there = massText(Math.max(0, source.massKg));
  if (source.kind === 'cylinder' && movedKg > source.massKg + SCALES_DIFFER_KG)
    return `The ledger shows only ${there} in ${source.name}. Weigh that one as well: a tare, its content or this reading is wrong.`;
  if (source.kind === 'system' && movedKg > source.massKg * (1 + CHARGE_UNCERTAIN) + SCALES_DIFFER_KG)
    return `The book has only ${there} in ${source.name}: its charge was booked too small, or this reading is wrong.`;
  return undefined;
}
