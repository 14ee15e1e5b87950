import type { ReadingName, Readings } from '@hygromet/core/cycle/cycle-readings';
import type { RunningReadings } from './running';

/** Each reading of the wire, with its unit in its name, and the core's word for it. */
const words = {
  headPa: 'head',
  suctionPa: 'suction',
  suctionLineK: 'suctionLine',
  liquidLineK: 'liquidLine',
  supplyK: 'supply',
  dischargeK: 'discharge',
  powerW: 'power',
  condenserLeavingAirK: 'condenserAir',
  meteringInletK: 'meteringInlet',
  supplyWetBulbK: 'supplyWetBulb',
  headGaugeZeroPa: 'headZero',
  suctionGaugeZeroPa: 'suctionZero',
  standingBeyondPa: 'standing',
} as const satisfies Record<keyof RunningReadings, ReadingName>;
const pairs = Object.entries(words) as [keyof RunningReadings, ReadingName][]; // the keys of the table are the names of the wire

/** Readings of the wire in the words of the core; what was not read is absent. */
export const readingsFrom = (entry: RunningReadings): Readings =>
  Object.fromEntries(pairs.flatMap(([wire, word]) => (entry[wire] === undefined ? [] : [[word, entry[wire]]])));

/** The same the other way; what the wire has no name for is left out. */
export const readingsTo = (entry: Readings): RunningReadings =>
  Object.fromEntries(pairs.flatMap(([wire, word]) => (entry[word] === undefined ? [] : [[wire, entry[word]]])));
