import { collarDoubts } from '@hygromet/core/cylinder/collar-doubts';
import { cylinderFlags, type Cylinder, type CylinderFlag } from '@hygromet/contract/cylinder';
import type { Filling } from '@hygromet/core/cylinder/fill-limit';
import { requalificationState, validThrough, type StampMonth } from '@hygromet/core/cylinder/requalification';
import { TARE_DIFFERS_KG } from '@hygromet/core/cylinder/scale-tolerance';
import { tareAndVolume } from '@hygromet/core/cylinder/tare';
import { SAME_SHARE, sameRefrigerant, type Composition } from '@hygromet/core/fluids/composition';
import { designationOf, refrigerant } from '@hygromet/core/fluids/refrigerant';
import { MOST_AIR } from '@hygromet/core/readings/air-check';
import { kelvin, kilogram } from '@hygromet/core/units/quantity';
import type { Computing } from '../computing/computing';
import type { CylinderRecord } from '../store/cylinder-store';
import { fillPolicyOf, type OrganisationRow } from '../store/organisation-store';
import type { FillStatus, FillStatusQuestion } from './fill-status';
import type { Environment } from './environment';
import { sendInBy } from './resting-full';

/** What a cylinder holds, or would hold by its label. */
export const compositionIn = (record: Pick<CylinderRecord, 'composition' | 'refrigerant'>): Composition | undefined =>
  record.composition ?? (record.refrigerant === null ? undefined : refrigerant(record.refrigerant).composition);

/** A cylinder as far as its record tells it: nothing of it is computed. Its flags are those that need no model. */
export type RecordedCylinder = Omit<Cylinder, 'fillStatus'>;

export function recordedCylinder(record: CylinderRecord, now: Date): RecordedCylinder {
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
    validThrough: monthText(validThrough(monthOf(record.requalified), record.marks.validYears)),
    place: record.place,
    refrigerant: record.refrigerant,
    composition: record.composition,
    contentKg: record.contentKg,
    evacuatedAt: record.evacuatedAt?.toISOString() ?? null,
    vacuum: record.vacuum,
    marks: record.marks,
    tareWeighedKg: record.tareWeighedKg,
    airShare: record.airShare,
    retiredAt: record.retiredAt?.toISOString() ?? null,
    weighedInAt: record.weighedInAt?.toISOString() ?? null,
    lastMovedAt: record.lastMovedAt?.toISOString() ?? null,
    flags: inOrder(recordedFlags(record, now)),
  };
}

/** Cylinders as the interface shows them: limits, levels and what to look at, computed now. */
export async function describeCylinders(
  records: readonly CylinderRecord[],
  organisation: OrganisationRow,
  { now, computing }: Environment,
): Promise<Cylinder[]> {
  const found = await statusesOf(records, organisation, computing);
  return records.map((record, k) => {
    const { fillStatus, suits } = found[k]!;
    const flags = inOrder([...recordedFlags(record, now()), ...computedFlags(record, { fillStatus, suits }, now())]);
    return { ...recordedCylinder(record, now()), fillStatus, flags };
  });
}

export async function describeCylinder(record: CylinderRecord, organisation: OrganisationRow, environment: Environment): Promise<Cylinder> {
  const [cylinder] = await describeCylinders([record], organisation, environment);
  return cylinder!;
}

/** What the ledger's last digit leaves of a designation is that designation: its limits are computed once for all cylinders that hold it. */
const SAME_DIGITS = 1e-7;
export function computedWith(record: Pick<CylinderRecord, 'composition' | 'refrigerant'>): Composition | undefined {
  const composition = compositionIn(record);
  if (composition === undefined || record.refrigerant === null) return composition;
  const nominal = refrigerant(record.refrigerant).composition;
  return sameRefrigerant(composition, nominal, SAME_DIGITS) ? nominal : composition;
}

const statuses = new Map<string, FillStatus>();
/** Twice the largest rack that is imported at a time: a list that does not fit would be computed anew each minute. */
const MOST_REMEMBERED_COUNT = 20_000;
/** So many are sent to be computed at a time: others who ask have their turn in between. */
const AT_A_TIME_COUNT = 20;

const EMPTY: FillStatus = { fillStatus: { state: 'empty' }, suits: true };

/**
 * Limits and levels by the full model take milliseconds, and a rack may hold thousands: what was computed for the same content under the
 * same rules is remembered. Nothing of it can grow old, for everything it depends on stands in its question.
 */
async function statusesOf(
  records: readonly CylinderRecord[],
  organisation: OrganisationRow,
  computing: Computing,
): Promise<readonly FillStatus[]> {
  const questions = records.map((record) => questionOf(record, organisation));
  const keys = questions.map((question) => (question === undefined ? undefined : JSON.stringify(question)));
  const found = new Map<string, FillStatus>();
  const missing = new Map<string, FillStatusQuestion>();
  for (const [k, key] of keys.entries()) {
    const known = key === undefined ? undefined : statuses.get(key);
    if (key !== undefined && known !== undefined) found.set(key, known);
    else if (key !== undefined) missing.set(key, questions[k]!);
  }
  const open = [...missing];
  for (let k = 0; k < open.length; k += AT_A_TIME_COUNT) {
    const some = open.slice(k, k + AT_A_TIME_COUNT);
    const answers = await computing.run('fill-statuses', some.map(([, question]) => question)); // prettier-ignore
    for (const [n, [key]] of some.entries()) remember(key, answers[n]!, found);
  }
  return keys.map((key) => (key === undefined ? EMPTY : found.get(key)!));
}

function remember(key: string, status: FillStatus, found: Map<string, FillStatus>): void {
  found.set(key, status);
  if (statuses.size >= MOST_REMEMBERED_COUNT) statuses.clear();
  statuses.set(key, status);
}

function questionOf(record: CylinderRecord, organisation: OrganisationRow): FillStatusQuestion | undefined {
  const composition = computedWith(record);
  if (composition === undefined) return undefined;
  return {
    filling: fillingOf(composition, record, organisation),
    policy: fillPolicyOf(organisation),
    airShare: record.airShare ?? undefined,
  };
}

/** A cylinder by its record for the rules of filling; a ledger below zero is flagged, and no level can be drawn of it. */
export function fillingOf(composition: Composition, record: CylinderRecord, { hottestK }: OrganisationRow): Filling {
  const { marks, servicePressurePa } = record;
  const { tare, volume } = tareAndVolume(record);
  return {
    composition,
    volume,
    tare,
    content: kilogram(Math.max(0, record.contentKg)),
    hottest: kelvin(hottestK),
    rating: { stamp: marks.stamp, servicePressure: servicePressurePa, testPressure: marks.testPressurePa },
    port: 'liquid',
  };
}

type Flagged = readonly [CylinderFlag, boolean];

function recordedFlags(record: CylinderRecord, now: Date): readonly Flagged[] {
  const requalification = requalificationState(
    monthOf(record.requalified),
    { year: now.getUTCFullYear(), month: now.getUTCMonth() + 1 },
    record.marks.validYears,
  );
  return [
    ['mixed', isMixed(record)],
    ['negative-balance', record.contentKg < 0],
    ['overdue', requalification === 'overdue'],
    ['non-condensables', record.airShare !== null && record.airShare > MOST_AIR && record.contentKg > 0],
    ['collar-unconfirmed', record.marks.confirmed !== true && collarDoubts(record).length > 0],
    ['wrong-tare', record.tareWeighedKg !== null && Math.abs(record.tareWeighedKg - record.tareKg) > TARE_DIFFERS_KG],
    ['due-soon', requalification === 'due-soon'],
  ];
}

const computedFlags = (record: CylinderRecord, { fillStatus, suits }: FillStatus, now: Date): readonly Flagged[] => [
  ['overfilled', fillStatus.state === 'limited' && record.contentKg > fillStatus.limitGrossKg - tareAndVolume(record).tare],
  ['pressure-rating-too-low', !suits],
  ['overdue-for-return', restsFull(record, fillStatus, now)],
  ['no-limit', fillStatus.state === 'no-limit'],
];

/** What applies, in the order of the contract: the gravest first. */
const inOrder = (flags: readonly Flagged[]): CylinderFlag[] =>
  cylinderFlags.filter((flag) => flags.some(([own, applies]) => own === flag && applies));

function restsFull(record: CylinderRecord, fillStatus: Cylinder['fillStatus'], now: Date): boolean {
  const by = sendInBy({ ...record, fillStatus }, record.lastMovedAt);
  return by !== undefined && by < now;
}

const isMixed = ({ composition, refrigerant: label }: CylinderRecord): boolean =>
  composition !== null &&
  (label === null ? designationOf(composition, SAME_SHARE) === undefined : !sameRefrigerant(composition, refrigerant(label).composition));

const monthOf = (text: string): StampMonth => ({ year: Number(text.slice(0, 4)), month: Number(text.slice(5)) });
const monthText = ({ year, month }: StampMonth) => `${year}-${String(month).padStart(2, '0')}`;
