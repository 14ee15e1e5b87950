import type { Cylinder, CylinderFlag } from '@hygromet/contract/cylinder';
import { levelAt } from '@hygromet/core/cylinder/level';
import { pressureRating } from '@hygromet/core/cylinder/pressure-rating';
import { requalificationState, validThrough, type StampMonth } from '@hygromet/core/cylinder/requalification';
import { NoFillLimit } from '@hygromet/core/errors';
import { SAME_SHARE, sameRefrigerant, type Composition } from '@hygromet/core/fluids/composition';
import { designationOf, refrigerant } from '@hygromet/core/fluids/refrigerant';
import { cubicMetre, kilogram } from '@hygromet/core/units/quantity';
import { celsius } from '@hygromet/core/units/temperature';
import type { CylinderRecord } from '../store/cylinder-store';
import { fillPolicyOf, type OrganisationRow } from '../store/organisation-store';
import { limitsOf } from './compute-fill-limits';

/** What a cylinder holds, or would hold by its label. */
export const compositionIn = (record: Pick<CylinderRecord, 'composition' | 'refrigerant'>): Composition | undefined =>
  record.composition ?? (record.refrigerant === null ? undefined : refrigerant(record.refrigerant).composition);

/** A cylinder as the interface shows it: limits, level and what to look at, computed now. */
export function describeCylinder(record: CylinderRecord, organisation: OrganisationRow, now: Date): Cylinder {
  const standing = standingOf(record, organisation);
  const stamp = monthOf(record.requalified);
  return {
    id: record.id,
    name: record.name,
    volumeM3: record.volumeM3,
    volumeTyped: record.volumeTyped,
    tareKg: record.tareKg,
    tareTyped: record.tareTyped,
    servicePressurePa: record.servicePressurePa,
    serviceTyped: record.serviceTyped,
    requalified: record.requalified,
    validThrough: monthText(validThrough(stamp)),
    place: record.place,
    refrigerant: record.refrigerant,
    composition: record.composition,
    contentKg: record.contentKg,
    evacuatedAt: record.evacuatedAt?.toISOString() ?? null,
    standing,
    flags: flagsOf(record, standing, stamp, now),
  };
}

function standingOf(record: CylinderRecord, organisation: OrganisationRow): Cylinder['standing'] {
  const composition = compositionIn(record);
  if (composition === undefined) return { state: 'empty' };
  const contentKg = Math.max(0, record.contentKg); // a ledger below zero is flagged; no level can be drawn of it
  try {
    const limits = limitsOf({ composition, volumeM3: record.volumeM3, tareKg: record.tareKg, contentKg }, fillPolicyOf(organisation));
    const levelOf = (massKg: number) => levelAt(composition, cubicMetre(record.volumeM3), kilogram(massKg), celsius(25)).liquidShare;
    return {
      state: 'limited',
      ruling: limits.ruling,
      stopGrossKg: limits.stopGrossKg,
      mayAddKg: limits.mayAddKg,
      liquidShare77F: levelOf(contentKg),
      stopShare77F: levelOf(limits.stopGrossKg - record.tareKg),
    };
  } catch (error) {
    if (error instanceof NoFillLimit) return { state: 'no-limit', why: error.message };
    throw error;
  }
}

function flagsOf(record: CylinderRecord, standing: Cylinder['standing'], stamp: StampMonth, now: Date): CylinderFlag[] {
  const composition = compositionIn(record);
  const requalification = requalificationState(stamp, { year: now.getUTCFullYear(), month: now.getUTCMonth() + 1 });
  const flags: [CylinderFlag, boolean][] = [
    ['overfilled', standing.state === 'limited' && standing.mayAddKg < 0],
    ['mixed', isMixed(record)],
    ['over-rated', composition !== undefined && !pressureRating(composition, record.servicePressurePa).suits],
    ['overdrawn', record.contentKg < 0],
    ['overdue', requalification === 'overdue'],
    ['due-soon', requalification === 'due-soon'],
  ];
  return flags.filter(([, applies]) => applies).map(([flag]) => flag);
}

const isMixed = ({ composition, refrigerant: label }: CylinderRecord): boolean =>
  composition !== null &&
  (label === null ? designationOf(composition, SAME_SHARE) === undefined : !sameRefrigerant(composition, refrigerant(label).composition));

const monthOf = (text: string): StampMonth => ({ year: Number(text.slice(0, 4)), month: Number(text.slice(5)) });
const monthText = ({ year, month }: StampMonth) => `${year}-${String(month).padStart(2, '0')}`;
