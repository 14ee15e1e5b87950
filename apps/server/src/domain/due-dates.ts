import type { Cylinder } from '@hygromet/contract/cylinder';

/** A day on which something about a cylinder falls due. */
export interface DueDate {
  readonly uid: string;
  /** "2026-11-01" */
  readonly day: string;
  readonly title: string;
  readonly what: string;
}

/** Common practice: what was filled goes to the reclaimer within a quarter. */
const LONG_FULL_DAYS = 90;
const FULL_SHARE = 0.8;

/** Requalifications by the last month in which a cylinder may be filled, and full cylinders that have rested long enough. */
export const dueDates = (cylinders: readonly Cylinder[]): DueDate[] =>
  cylinders
    .filter(({ retiredAt }) => retiredAt === null)
    .flatMap((cylinder) => [requalification(cylinder), ...restingFull(cylinder)])
    .sort((a, b) => a.day.localeCompare(b.day));

function requalification({ id, name, validThrough, contentKg }: Cylinder): DueDate {
  const held = contentKg > 0 ? ` It holds ${contentKg.toFixed(1)} kg: it may be emptied later, not filled.` : '';
  return {
    uid: `requalify-${id}-${validThrough}`,
    day: `${validThrough}-01`,
    title: `Requalify ${name}`,
    what: `Its stamp is good through ${validThrough.slice(5)}-${validThrough.slice(2, 4)}.${held}`,
  };
}

function restingFull({ id, name, contentKg, tareKg, standing, lastMovedAt, refrigerant }: Cylinder): DueDate[] {
  if (standing.state !== 'limited' || lastMovedAt === null || contentKg < FULL_SHARE * (standing.stopGrossKg - tareKg)) return [];
  const day = new Date(Date.parse(lastMovedAt) + LONG_FULL_DAYS * 86_400_000).toISOString().slice(0, 10);
  return [
    {
      uid: `send-in-${id}-${day}`,
      day,
      title: `Send ${name} in`,
      what: `It has held ${contentKg.toFixed(1)} kg of ${refrigerant ?? 'a mixture'} since ${lastMovedAt.slice(0, 10)}.`,
    },
  ];
}
