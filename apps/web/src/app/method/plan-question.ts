import type { Look } from '@hygromet/contract/look';
import { seenLook } from '@hygromet/contract/plan-facts';
import type { RefrigerantSummary } from '@hygromet/contract/refrigerant';
import type { System } from '@hygromet/contract/system';
import { isUnusualAmbient } from '@hygromet/core/planning/usual-ambient';
import { kelvin, pascal } from '@hygromet/core/units/quantity';
import type { PlanArgs } from '../core-worker/plan-operations';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** Readings as they were typed; what is not there was not read. */
type Typed = Partial<
  Record<'ambient' | 'standing' | 'short', { readonly text: string; readonly unit: string; readonly ounces?: string | undefined }>
>;

const entryOf = (typed: Typed['ambient']): QuantityEntry =>
  typed === undefined ? emptyEntry('') : { ...emptyEntry(typed.unit), text: typed.text, ounces: typed.ounces ?? '' };

/**
 * What was seen, in plain numbers, and what a running check has told; nothing while the outdoor temperature is not measured, or
 * is hardly weather and was not read again, or something cannot be read.
 */
export function lookIn(
  said: Look,
  { ambient, standing, short }: Typed,
  atmosphere: number,
  ranShare?: number,
): PlanArgs['look'] | undefined {
  const [T, p, kg] = [
    readQuantity('temperature', entryOf(ambient)),
    readQuantity('pressure', entryOf(standing), pascal(atmosphere)),
    readQuantity('mass', entryOf(short)),
  ];
  if (T.state !== 'good' || (isUnusualAmbient(kelvin(T.si)) && said.ambientConfirmed !== true)) return undefined;
  if (p.state === 'bad' || kg.state === 'bad') return undefined;
  return seenLook(said, {
    T: kelvin(T.si),
    standingPressure: p.state === 'good' ? pascal(p.si) : undefined,
    atmosphere: pascal(atmosphere),
    reportedShortKg: kg.state === 'good' ? kg.si : undefined,
    ranShare,
  });
}

/** The outdoor temperature of a question: it is asked only of weather, and of what was read again. */
export const ambientOf = ({ T }: PlanArgs['look']) => ({ ambientK: T, ...(isUnusualAmbient(kelvin(T)) ? { ambientConfirmed: true } : {}) });

/** The system and what it is filled with, as the planning asks. */
export const askedOf = (
  system: System,
  { composition, flammable }: Pick<RefrigerantSummary, 'composition' | 'flammable'>,
): Pick<PlanArgs, 'system' | 'composition' | 'flammable'> => ({ system, composition, flammable });
