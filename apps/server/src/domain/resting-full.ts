import type { Cylinder } from '@hygromet/contract/cylinder';
import { isFull } from '@hygromet/core/cylinder/full';

/** Common practice: what was filled goes to the reclaimer within a quarter. */
const LONG_FULL_DAYS = 90;
const DAY_MS = 86_400_000;

type Filled = Pick<Cylinder, 'contentKg' | 'tareKg' | 'fillStatus'>;

/** When a full cylinder has rested long enough; nothing where it is not full, or nothing was ever moved. */
export function sendInBy({ contentKg, tareKg, fillStatus }: Filled, lastMoved: Date | null): Date | undefined {
  if (fillStatus.state !== 'limited' || lastMoved === null || !isFull(contentKg, fillStatus.limitGrossKg - tareKg)) return undefined;
  return new Date(lastMoved.getTime() + LONG_FULL_DAYS * DAY_MS);
}
