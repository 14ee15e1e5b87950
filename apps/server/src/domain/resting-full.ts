import type { Cylinder } from '@hygromet/contract/cylinder';
import { FULL_RESTS_DAYS, isFull } from '@hygromet/core/cylinder/full';

const DAY_MS = 86_400_000;

type Filled = Pick<Cylinder, 'contentKg' | 'tareKg' | 'fillStatus'>;

/** When a full cylinder has rested long enough; nothing where it is not full, or nothing was ever moved. */
export function sendInBy({ contentKg, tareKg, fillStatus }: Filled, lastMoved: Date | null): Date | undefined {
  if (fillStatus.state !== 'limited' || lastMoved === null || !isFull(contentKg, fillStatus.limitGrossKg - tareKg)) return undefined;
  return new Date(lastMoved.getTime() + FULL_RESTS_DAYS * DAY_MS);
}
