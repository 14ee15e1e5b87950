import { hasPart } from '../circuit/circuit';
import { holding, type Holding } from '../circuit/holding';
import { IN_THE_SHADE } from '../circuit/part-room';
import { lineCorrection, type LineSet } from '../circuit/line-set';
import { circuitOf } from '../circuit/circuit-of';
import type { MakeUpFact } from '../circuit/evidence';
import type { Purpose, Thing } from '../circuit/opened';
import { valves, type Part, type Valve, type ValveState } from '../circuit/part';
import { circuitVolume, estimatedVolume, type KnownVolumes, type PartVolume } from '../circuit/part-volume';
import { weakestPart, type PartLimit } from '../circuit/weakest-part';
import { kindOf, partsOf, valveStateOf, type CircuitRecord } from '../circuit/system-kind';
import { evacuationLevel, type EvacuationLevel } from '../compliance/evacuation-level';
import { NoTwoPhaseState, OutOfRange } from '../errors';
import type { Composition } from '../fluids/composition';
import { bubblePoint } from '../thermo/saturation';
import { unless } from '../unless';
import { kilogram, pascal, type Kelvin, type Pascal } from '../units/quantity';
import { asFound, type AsFound, type SidesRead } from './as-found';
import { contentNow, type ContentNow } from './content-now';
import { contradictions, type Contradiction } from './contradictions';
import { decide, type Decision } from './decide';
import type { Method } from './method';
import { type Equipment } from './equipment';
import { estimateRecovery, type RecoveryEstimate } from './recovery-estimate';
import { goesBack, keptApart, type AcidFinding, type Destination } from './reuse';
import type { CompanyPractice } from './company-practice';
import {
  situationOf,
  type CompressorState,
  type CoolingState,
  type CompressorType,
  type MeteringState,
  type JobConditions,
  type WaterState,
} from './job-conditions';
import { steps, type Step, type StepFacts } from './steps';

/** What the register knows of a system. */
export interface RecordedSystem extends CircuitRecord {
  readonly composition: Composition;
  readonly flammable: boolean;
  /** kg, on the plate. */
  readonly nameplateKg: number;
  /** kg, by the ledger; below 0 where more came out than was on record. */
  readonly contentKg: number;
  readonly lineSet?: LineSet | undefined;
  readonly volumes: KnownVolumes;
  readonly valves: Partial<Record<Valve, ValveState>>;
  readonly compressor: CompressorType;
  readonly switches: Switches;
  readonly limits: readonly PartLimit[];
  /** What of its make-up nobody has compared with the unit; nothing where all of it was seen. */
  readonly unseen?: readonly MakeUpFact[] | undefined;
}

/** The pressure switches of a system; the pressures at which they open are Pa above the atmosphere. */
export interface Switches {
  readonly low: 'none' | 'fitted';
  readonly lowOpens?: number | undefined;
  readonly highOpens?: number | undefined;
}

/** What was seen on arriving. */
export interface Look {
  readonly T: Kelvin;
  /** Standing pressure, Pa absolute, once it was read. */
  readonly standingPressure?: Pascal | undefined;
  readonly sides?: SidesRead | undefined;
  readonly purpose?: Purpose | undefined;
  readonly failed: Thing | 'unknown' | 'none';
  /** kg that somebody says are missing. */
  readonly reportedShortKg?: number | undefined;
  /** Share of the charge that a settled running check of this visit has told. */
  readonly ranShare?: number | undefined;
  readonly compressor: CompressorState;
  readonly metering: MeteringState;
  /** What was found of the valves today; the others are as recorded. */
  readonly valves?: Partial<Record<Valve, ValveState>> | undefined;
  readonly cooling: CoolingState;
  readonly water: WaterState;
  readonly destination?: Destination | undefined;
  readonly acid?: AcidFinding | undefined;
  readonly majorRepair: boolean;
  /** It leaks so that the level cannot be reached, or would spoil the refrigerant. */
  readonly leaks?: boolean | undefined;
  /** Whether condenser and receiver stand in the shade for sure. */
  readonly shaded?: boolean | undefined;
  readonly atmosphere: Pascal;
  readonly equipment: Equipment;
}

export interface Plan {
  readonly conditions: JobConditions;
  /** What is in it now, and why. */
  readonly content: ContentNow;
  readonly decision: Decision;
  readonly contradictions: readonly Contradiction[];
  /** kg that the line set takes beyond the plate. */
  readonly lineKg: number;
  /** What bears least of the recorded parts. */
  readonly weakest: PartLimit | undefined;
  readonly reuse: StepFacts['reuse'];
}

/** Everything that follows from the record and the look. @throws the core's errors where the refrigerant is not known at T */
export function planFor(system: RecordedSystem, look: Look, practice: CompanyPractice): Plan {
  const { kind, composition } = system;
  const lineKg = lineKgOf(system, look.T);
  const volume = circuitVolume(kilogram(system.nameplateKg + Math.max(0, lineKg)), system.volumes);
  // what was found today counts before what is on record
  const circuit = circuitOf({ ...system, valves: { ...system.valves, ...look.valves } });
  const water = circuit.water.length > 0 ? look.water : 'none';
  const [condenser, receiver] = [mayHold('condenser', system, look, practice), mayHold('receiver', system, look, practice)];
  const level = levelOf(system, look);
  const found = arrivalOf(composition, look, volume, level);
  const { T, standingPressure, reportedShortKg, ranShare } = look;
  const content = contentNow({
    composition,
    T,
    volume,
    ledgerKg: system.contentKg,
    lineKg,
    asFound: found,
    standingPressure,
    bothSides: look.sides === 'both',
    reportedShortKg,
    runningKg: ranShare === undefined ? undefined : ranShare * (system.nameplateKg + Math.max(0, lineKg)),
  });
  const conditions = situationOf({
    kind,
    composition,
    T: look.T,
    atmosphere: look.atmosphere,
    volume,
    content,
    asFound: found,
    sides: look.sides ?? 'unknown',
    circuit,
    unseen: stillUnseen(system, look),
    purpose: look.purpose ?? 'repair',
    failed: look.failed,
    valves: { ...recordedValves(system), ...look.valves } as JobConditions['valves'],
    ports: system.ports ?? kindOf(kind).ports,
    compressor: { type: system.compressor, state: look.compressor },
    metering: look.metering,
    // what cannot be reversed is always in cooling
    cooling: hasPart(circuit, 'reversing-valve') ? look.cooling : 'held',
    water,
    level,
    equipment: look.equipment,
    shaded: look.shaded === true,
    ...(condenser === undefined ? {} : { condenser }),
    ...(receiver === undefined ? {} : { receiver }),
  });
  return {
    conditions,
    content,
    decision: decide(conditions),
    contradictions: asked(system, look, content.onRecord, circuitHolds(composition, look.T, volume)),
    lineKg,
    weakest: weakestPart(system.limits),
    reuse: reuseOf(look),
  };
}

/** A valve of which something was found today was seen. */
const stillUnseen = ({ unseen = [] }: RecordedSystem, { valves: found = {} }: Look): readonly MakeUpFact[] =>
  unseen.filter((fact) => !(fact in found));

/** The checklist of a method, and how long it takes and how warm it gets where a machine is used. */
export function stepsFor(
  { conditions, weakest, reuse }: Plan,
  method: Method,
  { flammable, switches, indoorUnits }: Pick<RecordedSystem, 'flammable' | 'switches' | 'indoorUnits'>,
  { endOfPumpDown }: CompanyPractice,
): { readonly steps: readonly Step[]; readonly estimate: RecoveryEstimate | undefined } {
  const estimate = estimateOf(conditions, method);
  const absolute = (gauge: number | undefined) => (gauge === undefined ? undefined : pascal(gauge + conditions.atmosphere));
  const facts = {
    flammable,
    reuse,
    needsCooling: estimate?.trips ?? false,
    endOfPumpDown,
    switches: { low: switches.low, lowOpens: absolute(switches.lowOpens), highOpens: absolute(switches.highOpens) },
    indoorUnits,
    weakest: absolute(weakest?.gaugePa),
  };
  return { steps: steps(method, conditions, facts), estimate };
}

const reuseOf = ({ compressor, failed, destination = 'unknown', acid = 'not-tested' }: Look): StepFacts['reuse'] => ({
  back: goesBack(destination),
  apart: keptApart(compressor, failed, acid),
  tested: acid !== 'not-tested',
});

function estimateOf({ composition, content, volume, T, level, equipment }: JobConditions, method: Method): RecoveryEstimate | undefined {
  if (method === 'nothing' || method === 'pump-down-condenser' || method === 'pump-down-receiver') return undefined;
  const task = {
    composition,
    massKg: content.likely,
    T,
    volume: volume.likely,
    endP: level.p,
    equipment,
  };
  try {
    return estimateRecovery({ ...task, liquidPort: method === 'liquid-first' || method === 'push-pull' });
  } catch (error) {
    // no liquid at that temperature, or more on record than this circuit can hold: of neither is there an estimate
    if (error instanceof NoTwoPhaseState || error instanceof OutOfRange) return undefined;
    throw error;
  }
}

const recordedValves = (system: RecordedSystem): Partial<Record<Valve, ValveState>> =>
  Object.fromEntries(valves.map((valve) => [valve, valveStateOf(valve, system)]));

const lineKgOf = ({ lineSet, composition }: RecordedSystem, T: Kelvin): number =>
  lineSet === undefined ? 0 : lineCorrection(lineSet, bubblePoint(composition, T).rhoLiquid);

function mayHold(
  part: 'condenser' | 'receiver',
  { kind, fitted, volumes, nameplateKg, composition }: RecordedSystem,
  { T, shaded }: Look,
  { partShare, keptShare, hottestK }: CompanyPractice,
): Holding | undefined {
  if (!partsOf({ kind, fitted }).includes(part)) return undefined;
  const room = { share: partShare, keptShare, hottest: shaded === true ? IN_THE_SHADE : hottestK };
  const shipped = part === 'condenser' && kindOf(kind).precharged ? nameplateKg : 0;
  return holding(volumes[part] ?? estimatedVolume(part, kilogram(nameplateKg)), composition, T, room, shipped);
}

/** What vapour can be left is told for the largest the circuit may be: at most. */
const arrivalOf = (
  composition: Composition,
  { standingPressure, T, atmosphere }: Look,
  { high }: PartVolume,
  { p }: EvacuationLevel,
): AsFound => (standingPressure === undefined ? { state: 'unread' } : asFound(composition, standingPressure, T, atmosphere, high, p));

const levelOf = ({ kind, composition, nameplateKg }: RecordedSystem, { compressor, majorRepair, leaks, equipment, atmosphere }: Look) =>
  evacuationLevel({
    composition,
    fullCharge: kilogram(nameplateKg),
    machineBuilt: equipment.built ?? 'after-1993',
    sealed: kindOf(kind).sealed,
    vehicle: kind === 'vehicle',
    // of an appliance more is asked where it runs; what nobody has seen stand may run
    compressorRuns: compressor !== 'stands' && compressor !== 'burnt-out',
    majorRepair,
    leaks: leaks === true,
    atmosphere,
  });

/** kg of the largest circuit that it may be, full of liquid; nothing where it is too warm for liquid. */
const circuitHolds = (composition: Composition, T: Kelvin, { high }: PartVolume): number | undefined =>
  unless(NoTwoPhaseState, () => bubblePoint(composition, T).rhoLiquid * high);

const asked = (
  { kind, fitted, nameplateKg, volumes, lineSet, valves: recorded, switches, limits }: RecordedSystem,
  { standingPressure, atmosphere }: Look,
  contentKg: number,
  holdsAtMostKg: number | undefined,
): readonly Contradiction[] =>
  contradictions({
    kind,
    parts: partsOf({ kind, fitted }),
    chargeKg: nameplateKg,
    recorded: Object.keys(volumes) as Part[], // the keys are parts
    ...(lineSet === undefined ? {} : { lineLengthM: lineSet.length }),
    kingValve: recorded.king !== undefined && recorded.king !== 'none',
    switches,
    limits,
    contentKg,
    ...(holdsAtMostKg === undefined ? {} : { holdsAtMostKg }),
    ...(standingPressure === undefined ? {} : { standingGauge: standingPressure - atmosphere }),
  });
