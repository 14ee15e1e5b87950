import type { Trace } from '../twin/estimate/observed';
import type { Quantity } from './quantity';

/** What a person should look at before readings are believed. */
export const readingDoubts = ['jumped', 'below-zero', 'stuck', 'sides-changed', 'silent', 'open-to-air'] as const;
export type ReadingDoubt = (typeof readingDoubts)[number];

/** Readings of a transfer, s by their own clock and SI. */
export type ReadTraces = Readonly<Partial<Record<Quantity, Trace>>>;

export interface Doubted {
  readonly quantity: Quantity;
  readonly doubt: ReadingDoubt;
}

/** No transfer moves a scale by so much from one reading to the next, kg. */
const JUMP_KG = 0.4;
/** s without a reading. */
const SILENT_S = 15;
/** Readings that are the same to the last digit: a probe that was pulled off, or a display that hangs. */
const STUCK_READINGS = 40;
/** Pa: an open probe shows the air. */
const NEAR_AIR = 6000;
/** kg of a scale that shows less than nothing. */
const BELOW_ZERO = -0.05;
/** Looked back at, readings. */
const LOOK_BACK = 60;

/** @param now by the same clock @param atmospherePa of the site */
export function doubtsOf(traces: ReadTraces, now: number, atmospherePa: number): readonly Doubted[] {
  const doubts: Doubted[] = [];
  for (const [name, trace] of Object.entries(traces) as [Quantity, Trace][]) {
    const values = trace.value.slice(-LOOK_BACK);
    const last = values.at(-1);
    if (last === undefined) continue;
    const add = (doubt: ReadingDoubt) => void doubts.push({ quantity: name, doubt });
    if (now - trace.t.at(-1)! > SILENT_S) add('silent');
    if (name === 'gross' && last < BELOW_ZERO) add('below-zero');
    if (name === 'gross' && values.some((value, k) => k > 0 && Math.abs(value - values[k - 1]!) > JUMP_KG)) add('jumped');
    const same = values.slice(-STUCK_READINGS);
    const pressure = name === 'suction' || name === 'head';
    if (pressure && same.length === STUCK_READINGS && same.every((value) => value === last)) add('stuck');
    if (name === 'head' && Math.abs(last - atmospherePa) < NEAR_AIR) add('open-to-air');
  }
  const [suction, head] = [traces.suction?.value.at(-1), traces.head?.value.at(-1)];
  if (suction !== undefined && head !== undefined && suction > head + 1.5e5) doubts.push({ quantity: 'suction', doubt: 'sides-changed' });
  return doubts;
}
