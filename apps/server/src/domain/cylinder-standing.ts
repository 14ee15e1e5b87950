import type { Cylinder, CylinderFlag } from '@hygromet/contract/cylinder';
import { levelAt } from '@hygromet/core/cylinder/level';
import { pressureRating } from '@hygromet/core/cylinder/pressure-rating';
import { contentsByPressure, isUnknown } from '@hygromet/core/cylinder/judged-contents';
import { requalificationState, validThrough, type StampMonth } from '@hygromet/core/cylinder/requalification';
import { fillLimits, type Filling } from '@hygromet/core/cylinder/fill-limit';
import { stopWeight, USUAL_HANDLING } from '@hygromet/core/cylinder/stop-weight';
import { TARE_DIFFERS_KG, tareAndVolume } from '@hygromet/core/cylinder/tare';
import { CoreError } from '@hygromet/core/errors';
import { SAME_SHARE, sameRefrigerant, type Composition } from '@hygromet/core/fluids/composition';
import { designationOf, refrigerant } from '@hygromet/core/fluids/refrigerant';
import { MOST_AIR } from '@hygromet/core/readings/air-check';
import { kelvin, kilogram } from '@hygromet/core/units/quantity';
import { celsius } from '@hygromet/core/units/temperature';
import { unless } from '@hygromet/core/unless';
import type { CylinderRecord } from '../store/cylinder-store';
import { fillPolicyOf, type OrganisationRow } from '../store/organisation-store';
import { sendInBy } from './resting-full';

/** What a cylinder holds, or would hold by its label. */
export const compositionIn = (record: Pick<CylinderRecord, 'composition' | 'refrigerant'>): Composition | undefined =>
  record.composition ?? (record.refrigerant === null ? undefined : refrigerant(record.refrigerant).composition);

/** A cylinder as the interface shows it: limits, level and what to look at, computed now. */
export function describeCylinder(record: CylinderRecord, organisation: OrganisationRow, now: Date): Cylinder {
  const { standing, suits } = computed(record, organisation);
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
    validThrough: monthText(validThrough(stamp, record.marks.validYears)),
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
    standing,
    flags: flagsOf(record, { standing, suits }, stamp, now),
  };
}

/** What the ledger's last digit leaves of a designation is that designation: its limits are computed once for all cylinders that hold it. */
const SAME_DIGITS = 1e-7;
export function computedWith(record: Pick<CylinderRecord, 'composition' | 'refrigerant'>): Composition | undefined {
  const composition = compositionIn(record);
  if (composition === undefined || record.refrigerant === null) return composition;
  const nominal = refrigerant(record.refrigerant).composition;
  return sameRefrigerant(composition, nominal, SAME_DIGITS) ? nominal : composition;
}

/** What the full model says of a cylinder. */
interface Computed {
  readonly standing: Cylinder['standing'];
  /** Whether its pressure class suits what is in it. */
  readonly suits: boolean;
}

/**
 * Limits and levels by the full model take half a millisecond, and a rack may hold thousands: what was computed for the same content
 * under the same rules is remembered. Nothing of it can grow old, for everything it depends on stands in its key.
 */
const remembered = new Map<string, Computed>();
const MOST_REMEMBERED = 6_000;

function computed(record: CylinderRecord, organisation: OrganisationRow): Computed {
  const composition = computedWith(record);
  if (composition === undefined) return { standing: { state: 'empty' }, suits: true };
  const contentKg = Math.max(0, record.contentKg); // a ledger below zero is flagged; no level can be drawn of it
  const policy = fillPolicyOf(organisation);
  const { volumeM3, tareKg, tareWeighedKg, servicePressurePa, marks, airShare } = record;
  const collar = [volumeM3, tareKg, tareWeighedKg, servicePressurePa, marks.stamp, marks.testPressurePa];
  const key = JSON.stringify([composition, collar, contentKg, airShare, policy, organisation.hottestK]);
  const known = remembered.get(key);
  if (known !== undefined) return known;
  const found = computedAnew(composition, { ...record, contentKg }, organisation);
  if (remembered.size >= MOST_REMEMBERED) remembered.clear();
  remembered.set(key, found);
  return found;
}

/**
 * What cannot be computed is flagged, and fails no list: liquids that part, no convergence, a mark of the collar that is missing.
 * What is in it is what it is: no port and nothing that comes is asked here.
 */
function computedAnew(composition: Composition, record: CylinderRecord, organisation: OrganisationRow): Computed {
  const filling = fillingOf(composition, record, organisation);
  // its class is judged whether there is a limit or not; where neither has an answer, it is flagged for that
  const suited = unless(CoreError, () => suits(filling, composition, record)) ?? true;
  return { standing: standingOf(filling, composition, organisation), suits: suited };
}

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

function standingOf(filling: Filling, composition: Composition, organisation: OrganisationRow): Cylinder['standing'] {
  try {
    return limited(filling, composition, organisation);
  } catch (error) {
    if (error instanceof CoreError) return { state: 'no-limit', why: error.message };
    throw error;
  }
}

function limited(filling: Filling, composition: Composition, organisation: OrganisationRow): Cylinder['standing'] {
  const { limit, gross, net } = stopWeight(fillLimits(filling, fillPolicyOf(organisation)), composition, USUAL_HANDLING);
  const levelOf = (massKg: number) =>
    isUnknown(composition) ? null : levelAt(composition, filling.volume, kilogram(massKg), celsius(25)).liquidShare;
  return {
    state: 'limited',
    ruling: limit.rule,
    limitGrossKg: limit.gross,
    stopGrossKg: gross,
    mayAddKg: gross - filling.tare - filling.content,
    liquidShare77F: levelOf(filling.content),
    stopShare77F: levelOf(net),
  };
}

function suits({ volume, content, rating = {} }: Filling, composition: Composition, { airShare }: CylinderRecord): boolean {
  const contents = contentsByPressure({ composition, content, port: 'liquid' });
  if (content === 0) return pressureRating(contents, rating).suits;
  return pressureRating(contents, rating, { volume, mass: content, airShare: airShare ?? undefined }).suits;
}

function flagsOf(record: CylinderRecord, { standing, suits }: Computed, stamp: StampMonth, now: Date): CylinderFlag[] {
  const requalification = requalificationState(
    stamp,
    { year: now.getUTCFullYear(), month: now.getUTCMonth() + 1 },
    record.marks.validYears,
  );
  const flags: [CylinderFlag, boolean][] = [
    ['overfilled', standing.state === 'limited' && record.contentKg > standing.limitGrossKg - tareAndVolume(record).tare],
    ['mixed', isMixed(record)],
    ['over-rated', !suits],
    ['overdrawn', record.contentKg < 0],
    ['overdue', requalification === 'overdue'],
    ['airy', record.airShare !== null && record.airShare > MOST_AIR && record.contentKg > 0],
    ['wrong-tare', record.tareWeighedKg !== null && Math.abs(record.tareWeighedKg - record.tareKg) > TARE_DIFFERS_KG],
    ['due-soon', requalification === 'due-soon'],
    ['long-full', restsFull(record, standing, now)],
    ['no-limit', standing.state === 'no-limit'],
  ];
  return flags.filter(([, applies]) => applies).map(([flag]) => flag);
}

function restsFull(record: CylinderRecord, standing: Cylinder['standing'], now: Date): boolean {
  const by = sendInBy({ ...record, standing }, record.lastMovedAt);
  return by !== undefined && by < now;
}

const isMixed = ({ composition, refrigerant: label }: CylinderRecord): boolean =>
  composition !== null &&
  (label === null ? designationOf(composition, SAME_SHARE) === undefined : !sameRefrigerant(composition, refrigerant(label).composition));

const monthOf = (text: string): StampMonth => ({ year: Number(text.slice(0, 4)), month: Number(text.slice(5)) });
const monthText = ({ year, month }: StampMonth) => `${year}-${String(month).padStart(2, '0')}`;
