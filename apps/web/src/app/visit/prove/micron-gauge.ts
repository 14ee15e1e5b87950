import type { Quantity } from '@hygromet/core/instruments/quantity';
import { PASCAL_PER_MICRON } from '@hygromet/core/proof/water';
import { emptyEntry, type QuantityEntry } from '../../ui/quantity-entry';

/** What pull-down and rise are read by. */
export const MICRON_GAUGE: readonly Quantity[] = ['vacuum'];

/** A reading of the gauge as it is typed. @param p Pa */
export const micronEntry = (p: number): QuantityEntry => ({ ...emptyEntry('micron'), text: (p / PASCAL_PER_MICRON).toFixed(0) });
