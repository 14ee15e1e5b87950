import type { Outlook, Range } from '../estimate/outlook';
import data from './watching.json';

/** Another cylinder that is needed to bring out what is left. */
export interface NextCylinder {
  /** Whether it is needed nine times of ten, or only likely. */
  readonly sure: boolean;
  /** kg that do not fit into this one. */
  readonly moreKg: Range;
  /** s of the transfer at which this one is at its stop. */
  readonly at: Range;
}

/** kg that usually stand in the condenser of a recovery machine until it is purged. */
export const machineHoldsKg = data.machineHoldsKg;

/** Whether so much, kg, is worth another cylinder; less stays as vapor, in oil and in hoses. */
export const worthAnother = (kg: number): boolean => kg >= data.nextCylinderFromKg;

/** While nothing flows: what of the rest finds no room in this cylinder. @param roomKg up to its stop @param at s of the transfer, now */
export function withoutRoom({ end: { leftKg } }: Pick<Outlook, 'end'>, roomKg: number, at: number): NextCylinder | undefined {
  const beyond = (kg: number) => Math.max(0, kg - Math.max(0, roomKg));
  const moreKg = { likely: beyond(leftKg.likely), low: beyond(leftKg.low), high: beyond(leftKg.high) };
  if (!worthAnother(moreKg.likely)) return undefined;
  return { sure: worthAnother(moreKg.low), moreKg, at: { likely: at, low: at, high: at } };
}

/** Whether the cylinder is at its stop before the system is empty; nothing where it is not, or what is left is too little. */
export function nextCylinder({ end }: Pick<Outlook, 'end'>): NextCylinder | undefined {
  const isFull = end.reason === 'stop-weight' || end.reason === 'cylinder-full';
  if (!isFull || !worthAnother(end.leftKg.likely)) return undefined;
  return { sure: worthAnother(end.leftKg.low), moreKg: end.leftKg, at: end.t };
}
