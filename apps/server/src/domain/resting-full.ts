import type { Cylinder } from '@hygromet/contract/cylinder';

/** Common practice: what was filled goes to the reclaimer within a quarter. */
const LONG_FULL_DAYS = 90;
/** Of its stop weight: from there on a cylinder counts as full. */
const FULL_SHARE = 0.8;
const DAY_MS = 86_400_000;

type Standing = Pick<Cylinder, 'contentKg' | 'tareKg' | 'standing'>;

/** When a full cylinder has rested long enough; nothing where it is not full, or nothing was ever moved. */
export function sendInBy({ contentKg, tareKg, standing }: Standing, lastMoved: Date | null): Date | undefined {
  if (standing.state !== 'limited' || lastMoved === null || contentKg < FULL_SHARE * (standing.stopGrossKg - tareKg)) return undefined;
  return new Date(lastMoved.getTime() + LONG_FULL_DAYS * DAY_MS);
}
