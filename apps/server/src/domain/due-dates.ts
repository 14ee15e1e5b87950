import type { Cylinder } from '@hygromet/contract/cylinder';
import { sendInBy } from './resting-full';

/** A day on which something about a cylinder falls due. */
export interface DueDate {
  readonly uid: string;
  /** "2026-11-01" */
  readonly day: string;
  readonly title: string;
  readonly what: string;
}

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

function restingFull(cylinder: Cylinder): DueDate[] {
  const { id, name, contentKg, refrigerant, lastMovedAt } = cylinder;
  const by = sendInBy(cylinder, lastMovedAt === null ? null : new Date(lastMovedAt));
  if (by === undefined || lastMovedAt === null) return [];
  const day = by.toISOString().slice(0, 10);
  return [
    {
      uid: `send-in-${id}-${day}`,
      day,
      title: `Send ${name} in`,
      what: `It has held ${contentKg.toFixed(1)} kg of ${refrigerant ?? 'a mixture'} since ${lastMovedAt.slice(0, 10)}.`,
    },
  ];
}
