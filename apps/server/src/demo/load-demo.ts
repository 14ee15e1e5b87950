import type { CylinderMarks, Place } from '@hygromet/contract/cylinder';
import { usualMarks } from '@hygromet/contract/usual-marks';
import { asDrawn, evidenced } from '@hygromet/contract/known-facts';
import type { Evidence, SystemFacts, SystemKind } from '@hygromet/contract/system';
import { fillLimits } from '@hygromet/core/cylinder/fill-limit';
import { fillRules } from '@hygromet/core/cylinder/fill-rule';
import { cubicMetre, kilogram } from '@hygromet/core/units/quantity';
import type { EndOfPumpDown } from '@hygromet/core/planning/company-practice';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { bubblePoint } from '@hygromet/core/thermo/saturation';
import { massFrom, massIn, type DecimalMassUnit } from '@hygromet/core/units/mass';
import { pressureDifferenceIn } from '@hygromet/core/units/pressure';
import { celsius } from '@hygromet/core/units/temperature';
import { volumeFrom } from '@hygromet/core/units/volume';
import scenario from '../../../../demo/tidewrack.json';
import { bookTransfer } from '../domain/book-transfer';
import { BookingLine } from '../domain/booking-line';
import type { Environment } from '../domain/environment';
import { recordCylinderEvent } from '../domain/record-cylinder-event';
import { enterCylinder } from '../domain/register-cylinder';
import { addFirmAccounts } from '../domain/open-firm';
import { openVisit } from '../domain/visits';
import { registerSystem } from '../domain/register-system';
import { accountsOf } from '../store/account-store';
import { cylinderById } from '../store/cylinder-store';
import type { Db, Tx } from '../store/database';
import { systemsOf } from '../store/system-store';
import { addOrganisation, ownOrganisation, type OrganisationRow } from '../store/organisation-store';

interface DemoCylinder {
  readonly name: string;
  readonly waterLb: number;
  readonly tareLb: number;
  readonly servicePsi: number;
  readonly requalified: string;
  readonly place: string;
  readonly fills: readonly DemoFill[];
  readonly evacuatedDaysAgo?: number;
  readonly marks?: Partial<CylinderMarks>;
  /** Volume share of air that a check found. */
  readonly airShare?: number;
}
interface DemoFill {
  readonly from: string;
  readonly refrigerant?: string;
  /** Share of the ruling limit at 100 % that goes in. */
  readonly share: number;
  readonly daysAgo: number;
  readonly by: string;
  readonly mixes?: boolean;
  readonly note?: string;
}

/**
 * Loads the made-up scenario into an empty database, all of it or nothing. Weights are computed by the core from the shares in the data.
 * @returns whether anything was loaded: a database that holds an organisation is left alone
 */
export const loadDemo = (db: Db, environment: Environment): Promise<boolean> =>
  db.transaction().execute(async (tx) => {
    const known = await tx.selectFrom('organisation').select('id').executeTakeFirst();
    if (known !== undefined) return false;
    const id = environment.newId();
    const settings = {
      ...scenario.organisation,
      endOfPumpDown: scenario.organisation.endOfPumpDown as EndOfPumpDown,
      readingsKeptDays: 30,
      requiredRules: fillRules.filter((rule) => scenario.organisation.requiredRules.includes(rule)),
    };
    await addOrganisation(tx, id, settings, true);
    await addFirmAccounts(tx, id, environment);
    const organisation = await ownOrganisation(tx);
    for (const system of scenario.systems) await addDemoSystem(tx, organisation, system, daysAgo(environment, SYSTEMS_REGISTERED_DAYS_AGO));
    for (const visit of scenario.visits) await addDemoVisit(tx, organisation, visit, environment);
    for (const cylinder of scenario.cylinders as readonly DemoCylinder[]) await addDemoCylinder(tx, organisation, cylinder, environment);
    return true;
  });

const SYSTEMS_REGISTERED_DAYS_AGO = 420;
const CYLINDERS_REGISTERED_DAYS_AGO = 400;

/** The same outside with its clock set back. */
const daysAgo = (environment: Environment, days: number): Environment => ({
  ...environment,
  now: () => new Date(environment.now().getTime() - days * 86_400_000),
});

async function addDemoSystem(
  tx: Tx,
  organisation: OrganisationRow,
  system: (typeof scenario.systems)[number],
  environment: Environment,
): Promise<void> {
  const [value, unit] = system.nameplate as [number, DecimalMassUnit];
  await registerSystem(
    tx,
    organisation,
    {
      key: environment.newId(),
      site: system.site,
      name: system.name,
      kind: system.kind as SystemKind,
      refrigerant: system.refrigerant,
      nameplateKg: massFrom(value, unit),
      nameplateTyped: { text: String(value), unit },
      ...factsOf(system, environment),
    },
    environment,
  );
}

/** What is known of a system, and by whom it was compared with the unit; of one nobody has. */
function factsOf(system: (typeof scenario.systems)[number], environment: Environment): { readonly facts?: SystemFacts } {
  if (!('facts' in system)) return {};
  const facts = system.facts as SystemFacts; // the demo's own file, checked against the contract by its test
  if (!('seenBy' in system)) return { facts };
  const seen: Evidence = { how: 'seen', by: system.seenBy, at: environment.now().toISOString() };
  return { facts: asDrawn({ kind: system.kind as SystemKind, facts: evidenced({}, facts, seen) }, seen) };
}

async function addDemoVisit(
  tx: Tx,
  organisation: OrganisationRow,
  visit: (typeof scenario.visits)[number],
  environment: Environment,
): Promise<void> {
  const system = (await systemsOf(tx, organisation.id)).find(({ site }) => site === visit.site);
  if (system === undefined) throw new Error(`the demo visits ${visit.site}, which is not in it`);
  const day = new Date(environment.now().getTime() + visit.inDays * 86_400_000).toISOString().slice(0, 10);
  await openVisit(
    tx,
    organisation.id,
    {
      key: environment.newId(),
      system: system.id,
      day,
      ...('time' in visit ? { time: visit.time } : {}),
      person: visit.by,
      reason: visit.reason,
      recordedBy: visit.by,
    },
    environment,
  );
}

const PASCALS_IN_A_PSI = 1 / pressureDifferenceIn(1, 'psig');
const typed = (value: number, unit: string) => ({ text: String(value), unit });

async function addDemoCylinder(tx: Tx, organisation: OrganisationRow, demo: DemoCylinder, environment: Environment): Promise<void> {
  const cylinder = await enterCylinder(
    tx,
    organisation,
    {
      key: environment.newId(),
      name: demo.name,
      volumeM3: volumeFrom(demo.waterLb, 'lb-water'),
      volumeTyped: typed(demo.waterLb, 'lb-water'),
      tareKg: massFrom(demo.tareLb, 'lb'),
      tareTyped: typed(demo.tareLb, 'lb'),
      servicePressurePa: demo.servicePsi * PASCALS_IN_A_PSI,
      serviceTyped: typed(demo.servicePsi, 'psig'),
      requalified: demo.requalified,
      place: demo.place as Place,
      marks: { ...usualMarks, stamp: 'us', ...demo.marks },
    },
    daysAgo(
      environment,
      Math.min(demo.evacuatedDaysAgo ?? CYLINDERS_REGISTERED_DAYS_AGO, daysSinceStamp(demo.requalified, environment.now())),
    ),
  );
  let grossLb = demo.tareLb;
  for (const fill of demo.fills) grossLb = await addDemoFill(tx, organisation, cylinder, grossLb, fill, environment);
  if (demo.airShare !== undefined) await addDemoAirCheck(tx, organisation, cylinder.id, demo.airShare, environment);
}

/** A check of yesterday morning in the workshop, with the pressure that such a share of air gives. */
async function addDemoAirCheck(
  tx: Tx,
  organisation: OrganisationRow,
  id: string,
  airShare: number,
  environment: Environment,
): Promise<void> {
  const cylinder = await cylinderById(tx, organisation.id, id);
  if (cylinder?.composition == null) throw new Error('the demo checks a cylinder for air that is empty');
  const temperatureK = celsius(21);
  const pressurePa = Math.round(bubblePoint(cylinder.composition, temperatureK).p / (1 - airShare));
  await recordCylinderEvent(
    tx,
    organisation,
    id,
    {
      what: 'air-checked',
      key: environment.newId(),
      pressurePa,
      temperatureK,
      gaugePa: 10_000,
      thermometerK: 0.5,
      happenedAt: inWorkingHours(environment.now(), 1),
      recordedBy: 'Tobin Wake',
    },
    environment,
  );
}

/** Nobody registers a cylinder with a stamp that is still to come. */
const daysSinceStamp = (stamp: string, now: Date) => Math.floor((now.getTime() - Date.parse(`${stamp}-02T00:00:00Z`)) / 86_400_000);

/** So many days before, between eight and sixteen. */
function inWorkingHours(now: Date, daysAgo: number): string {
  const day = new Date(now.getTime() - daysAgo * 86_400_000);
  day.setUTCHours(8 + (daysAgo % 8), (daysAgo * 17) % 60, 0, 0);
  return day.toISOString();
}

/** One fill on a scale that shows tenths of a pound; answers the gross weight after it. */
async function addDemoFill(
  tx: Tx,
  organisation: OrganisationRow,
  cylinder: { id: string; volumeM3: number; tareKg: number },
  grossLb: number,
  fill: DemoFill,
  environment: Environment,
): Promise<number> {
  const accounts = await accountsOf(tx, organisation.id);
  const source = accounts.find(({ name }) => name === fill.from);
  if (source === undefined) throw new Error(`the demo data fill from "${fill.from}", which is not among its accounts`);
  const composition = fill.refrigerant === undefined ? source.composition : refrigerant(fill.refrigerant).composition;
  if (composition === null) throw new Error(`the demo data fill from "${fill.from}", which is empty`);
  const { ruling } = fillLimits({
    composition,
    volume: cubicMetre(cylinder.volumeM3),
    tare: kilogram(cylinder.tareKg),
    content: kilogram(0),
    rating: { stamp: 'us', servicePressure: 400 * PASCALS_IN_A_PSI, testPressure: 800 * PASCALS_IN_A_PSI },
  });
  const limitKg = ruling.net;
  const afterLb = Number((grossLb + massIn(fill.share * limitKg, 'lb')).toFixed(1));
  await bookTransfer(new BookingLine(tx, environment), {
    key: environment.newId(),
    from: source.id,
    cylinder: cylinder.id,
    ...(fill.refrigerant === undefined ? {} : { refrigerant: fill.refrigerant }),
    grossBeforeKg: massFrom(grossLb, 'lb'),
    grossBeforeTyped: typed(grossLb, 'lb'),
    grossAfterKg: massFrom(afterLb, 'lb'),
    grossAfterTyped: typed(afterLb, 'lb'),
    acceptMixing: fill.mixes ?? false,
    happenedAt: inWorkingHours(environment.now(), fill.daysAgo),
    recordedBy: fill.by,
    ...(fill.note === undefined ? {} : { note: fill.note }),
  });
  return afterLb;
}
