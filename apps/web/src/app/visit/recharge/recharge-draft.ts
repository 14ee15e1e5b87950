import { emptyEntry, type QuantityEntry } from '../../ui/quantity-entry';

/** What is said of a charge before it is weighed in, as it was typed. */
export interface RechargeDraft {
  readonly hose: string;
  readonly oil: QuantityEntry;
  /** That a larger drier takes beyond the one that was in it. */
  readonly drier: QuantityEntry;
  readonly running: string;
  readonly superheat: string;
  readonly capacity: string;
  readonly warmer: string;
  /** Whether the outdoor unit is a new one that came with its charge. */
  readonly unit: string;
  /** The coldest day that it runs on, where its head pressure is held by flooding. */
  readonly coldest: QuantityEntry;
}

/** @param temperature the unit that it is typed in */
export const emptyRecharge = (temperature: string): RechargeDraft => ({
  hose: '1/4',
  oil: emptyEntry('oz'),
  drier: emptyEntry('oz'),
  running: 'standing',
  superheat: '',
  capacity: '',
  warmer: '',
  unit: 'evacuated',
  coldest: emptyEntry(temperature),
});

const PLAIN = /^\s*\d+([.,]\d+)?\s*$/;

/** A number that was typed without a unit; nothing where it is none. */
export const plainNumber = (text: string): number | undefined => (PLAIN.test(text) ? Number(text.trim().replace(',', '.')) : undefined);
