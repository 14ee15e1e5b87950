import { TWO_SCALES_KG } from '@hygromet/core/cylinder/scale-tolerance';
import { CHARGE_DOUBT } from '@hygromet/core/planning/charge-doubt';
import type { Account } from '@hygromet/contract/account';
import type { Units } from '../preferences/units.service';

/** More was moved than the book has where it comes from: one of the two is wrong. Nothing while they agree. */
export function beyondSource(
  source: Pick<Account, 'kind' | 'name' | 'massKg'> | undefined,
  movedKg: number,
  { massText }: Pick<Units, 'massText'>,
): string | undefined {
  if (source === undefined) return undefined;
  const there = massText(Math.max(0, source.massKg));
  if (source.kind === 'cylinder' && movedKg > source.massKg + TWO_SCALES_KG)
    return $localize`The ledger shows only ${there} in ${source.name}. Weigh that one as well: a tare, its content or this reading is wrong.`;
  if (source.kind === 'system' && movedKg > source.massKg * (1 + CHARGE_DOUBT) + TWO_SCALES_KG)
    return $localize`The book has only ${there} in ${source.name}\: its charge was booked too small, or this reading is wrong.`;
  return undefined;
}
