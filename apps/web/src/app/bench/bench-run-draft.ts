import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';

/** What is typed of a line set and of a day, without any record. */
export interface BenchRunDraft {
  readonly length: QuantityEntry;
  readonly liquid: string;
  readonly suction: string;
  readonly metering: string;
  readonly outdoor: QuantityEntry;
  readonly indoor: QuantityEntry;
  readonly wetBulb: QuantityEntry;
  readonly superheat: string;
  readonly capacity: string;
}

export const newBenchRun = (length: string, temperature: string): BenchRunDraft => ({
  length: emptyEntry(length),
  liquid: '3/8',
  suction: '3/4',
  metering: 'orifice',
  outdoor: emptyEntry(temperature),
  indoor: emptyEntry(temperature),
  wetBulb: emptyEntry(temperature),
  superheat: '',
  capacity: '',
});
