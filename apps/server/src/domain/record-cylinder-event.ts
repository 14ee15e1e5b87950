import { doneBefore } from './done-before';
import { mass, say } from '@hygromet/contract/sentence';
import type { Cylinder, CylinderMarks } from '@hygromet/contract/cylinder';
import { TEST_ABOVE_SERVICE } from '@hygromet/contract/test-above-service';
import type { NewCylinderEvent } from '@hygromet/contract/cylinder-event';
import type { NewWeighing } from '@hygromet/contract/movement';
import { sameWeight } from '@hygromet/core/cylinder/same-weight';
import { EMPTY_KG } from '@hygromet/core/cylinder/scale-tolerance';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { tareAndVolume } from '@hygromet/core/cylinder/tare';
import { airCheck } from '@hygromet/core/readings/air-check';
import { kelvin, kilogram, pascal } from '@hygromet/core/units/quantity';
import { coreVersion } from '@hygromet/core/version';
import { testedAbove } from '@hygromet/core/cylinder/test-pressure';
import { addCylinderEvent } from '../store/cylinder-event-store';
import { changeCylinder, cylinderById, lockCylinders, type CylinderChange, type CylinderRecord } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import type { OrganisationRow } from '../store/organisation-store';
import { bookDifference } from './book-weighing';
import { differenceKg } from './book-transfer';
import { compositionIn, describeCylinder } from './describe-cylinder';
import { refuseBeforeEmptied, refuseFuture } from './in-time';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** What an event changes of the cylinder, and what is kept of it. */
interface Effect {
  readonly change: CylinderChange;
  readonly detail: object;
}

/** Records what happened to a cylinder, and how it stands since. The same sending twice is one event. @throws DomainError */
export async function recordCylinderEvent(
  db: Executor,
  organisation: OrganisationRow,
  cylinderId: string,
  event: NewCylinderEvent,
  environment: Environment,
): Promise<Cylinder> {
  return describeCylinder(await keepEvent(db, organisation, cylinderId, event, environment), organisation, environment);
}

const keepEvent = (
  db: Executor,
  organisation: OrganisationRow,
  cylinderId: string,
  event: NewCylinderEvent,
  environment: Environment,
): Promise<CylinderRecord> =>
  inTransaction(db, async (tx) => {
    await lockCylinders(tx, [cylinderId]);
    const cylinder = await cylinderById(tx, organisation.id, cylinderId);
    if (cylinder === undefined) throw new DomainError('not-found', 'This cylinder is not in the register.');
    // a repeated sending is answered as it was, whatever has happened to the cylinder since
    const sending = {
      organisationId: organisation.id,
      key: event.key,
      kind: 'cylinder-event',
      content: { cylinderId, ...event },
      answer: cylinderId,
    } as const;
    if ((await doneBefore(tx, sending)) !== undefined) return cylinder;
    refuseFuture(event.happenedAt, environment.now());
    const { change, detail } = effectOf(event, cylinder, environment.now());
    const { key, what, happenedAt, recordedBy, note } = event;
    const draft = { id: environment.newId(), organisationId: organisation.id, cylinderId, key, what, detail, happenedAt, recordedBy, note };
    await addCylinderEvent(tx, draft, environment.now());
    await changeCylinder(tx, organisation.id, cylinderId, change, recordedBy);
    if (event.what === 'weighed-in' && event.difference.is === 'booked')
      await bookDifference(tx, organisation, cylinder, { ...weighingOf(event), id: environment.newId() }, environment);
    const changed = await cylinderById(tx, organisation.id, cylinderId);
    if (changed === undefined) throw new Error(`the cylinder ${cylinderId} was changed and is not there`);
    return changed;
  });

function effectOf(event: NewCylinderEvent, cylinder: CylinderRecord, now: Date): Effect {
  switch (event.what) {
    case 'evacuated': {
      refuseUnlessEmpty(cylinder, 'be evacuated');
      refuseBeforeEmptied(event.happenedAt, cylinder.lastMovedAt, cylinder.name);
      const { pressurePa, gauge, typed, recordedBy, happenedAt } = event;
      // what it was labelled for stays on its collar until it is labelled anew
      const vacuum = { pressurePa, gauge, provedBy: recordedBy };
      return { change: { evacuatedAt: new Date(happenedAt), vacuum, airShare: null }, detail: { pressurePa, gauge, typed } };
    }
    case 'relabelled': {
      refuseUnlessEmpty(cylinder, 'get another label');
      if (cylinder.evacuatedAt === null)
        throw new DomainError(
          'not-empty',
          `${cylinder.name} is not evacuated since it was last used. Evacuate it first, then label it anew.`,
        );
      if (event.refrigerant !== null) refrigerant(event.refrigerant); // refuses an unknown name
      const marks = { ...cylinder.marks, kind: event.kind };
      return { change: { refrigerant: event.refrigerant, marks }, detail: { refrigerant: event.refrigerant, kind: event.kind } };
    }
    case 'moved':
      return { change: { place: event.place }, detail: { place: event.place, from: cylinder.place } };
    case 'requalified':
      refuseFutureStamp(event.stamp, now);
      return { change: { requalified: event.stamp }, detail: { stamp: event.stamp, before: cylinder.requalified } };
    case 'tare-weighed':
      refuseUnlessEmpty(cylinder, 'be weighed for its tare');
      refuseBeforeEmptied(event.happenedAt, cylinder.lastMovedAt, cylinder.name);
      return { change: { tareWeighedKg: event.tareKg }, detail: { tareKg: event.tareKg, collarKg: cylinder.tareKg, typed: event.typed } };
    case 'air-checked':
      return airChecked(event, cylinder);
    case 'weighed-in':
      return weighedIn(event, cylinder);
    case 'described':
      refuseWeakTest(event.marks, cylinder.servicePressurePa);
      return { change: { marks: event.marks }, detail: { marks: event.marks, before: cylinder.marks } };
    case 'retired':
      refuseUnlessEmpty(cylinder, 'be taken out of use');
      return { change: { retiredAt: new Date(event.happenedAt) }, detail: { reason: event.reason } };
    default:
      return event satisfies never;
  }
}

type WeighedIn = Extract<NewCylinderEvent, { what: 'weighed-in' }>;

/** The scale beside the ledger; what differs by more than the scale may be off has a reason, or is booked. */
function weighedIn({ grossKg, scaleOffKg, typed, difference, happenedAt }: WeighedIn, cylinder: CylinderRecord): Effect {
  const ledgerGrossKg = cylinder.tareKg + cylinder.contentKg;
  const differsKg = differenceKg(grossKg, ledgerGrossKg);
  if (difference.is === 'none' && !sameWeight(differsKg, scaleOffKg))
    throw new DomainError(
      'difference-open',
      say`Scale and ledger differ by ${mass(Math.abs(differsKg))}, and the scale is accurate to ±${mass(scaleOffKg)}. Give the reason, or log the difference.`,
      '/difference',
    );
  return { change: { weighedInAt: new Date(happenedAt) }, detail: { grossKg, scaleOffKg, typed, ledgerGrossKg, differsKg, difference } };
}

const weighingOf = ({ key, grossKg, typed, happenedAt, recordedBy }: WeighedIn): NewWeighing => ({
  key,
  grossKg,
  ...(typed === undefined ? {} : { grossTyped: typed }),
  happenedAt,
  recordedBy,
});

function airChecked(event: Extract<NewCylinderEvent, { what: 'air-checked' }>, cylinder: CylinderRecord): Effect {
  const composition = compositionIn(cylinder);
  if (composition === undefined || cylinder.contentKg < EMPTY_KG)
    throw new DomainError('content-unknown', `${cylinder.name} is empty on record: there is no pressure of its own to compare with.`);
  const { pressurePa, temperatureK, gaugePa, thermometerK } = event;
  const vessel = { volume: tareAndVolume(cylinder).volume, mass: kilogram(cylinder.contentKg) };
  const accuracy = { gauge: gaugePa, thermometer: thermometerK };
  const check = airCheck(composition, pascal(pressurePa), kelvin(temperatureK), accuracy, vessel);
  return {
    change: { airShare: check.finding === 'air' ? check.likely : check.finding === 'clean' ? 0 : cylinder.airShare },
    detail: { pressurePa, temperatureK, gaugePa, thermometerK, check, coreVersion },
  };
}

function refuseUnlessEmpty({ name, contentKg }: CylinderRecord, what: string): void {
  if (Math.abs(contentKg) < EMPTY_KG) return;
  throw new DomainError('not-empty', say`The ledger shows ${mass(contentKg)} in ${name}. Log the removal first, then it can ${what}.`);
}

function refuseWeakTest({ testPressurePa }: CylinderMarks, servicePressurePa: number): void {
  if (testPressurePa === undefined || testedAbove(testPressurePa, servicePressurePa)) return;
  throw new DomainError('invalid-input', TEST_ABOVE_SERVICE, '/marks/testPressurePa');
}

export function refuseFutureStamp(stamp: string, now: Date, pointer = '/stamp'): void {
  if (stamp > now.toISOString().slice(0, 7))
    throw new DomainError(
      'invalid-input',
      `The stamp ${stamp.slice(5)}-${stamp.slice(2, 4)} is in the future. Read month and year again.`,
      pointer,
    );
}
