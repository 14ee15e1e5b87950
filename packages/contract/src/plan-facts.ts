import type { LineSet } from '@hygromet/core/circuit/line-set';
import { isFirm, makeUpFacts, triedState, type MakeUpFact } from '@hygromet/core/circuit/evidence';
import { valves } from '@hygromet/core/circuit/part';
import { knownVolume, partsWithVolume, type PartVolume } from '@hygromet/core/circuit/part-volume';
import type { CircuitRecord } from '@hygromet/core/circuit/system-kind';
import type { Composition } from '@hygromet/core/fluids/composition';
import { USUAL_EQUIPMENT } from '@hygromet/core/planning/equipment';
import type { Look as SeenLook, RecordedSystem } from '@hygromet/core/planning/plan';
import type { CompanyPractice } from '@hygromet/core/planning/company-practice';
import { cubicMetre, type Kelvin, type Metre, type Pascal } from '@hygromet/core/units/quantity';
import type { Look } from './look';
import type { Organisation } from './organisation';
import type { System } from './system';

/** What the register says of the make-up of a circuit; a valve that somebody only says to hold is one that nobody has tried. */
export const circuitRecord = ({ kind, facts }: Pick<System, 'kind' | 'facts'>): CircuitRecord => ({
  kind,
  fitted: facts.fitted,
  valves: triedValves(facts),
  ports: facts.ports,
  indoorUnits: facts.indoorUnits,
  condenserCooling: facts.condenserCooling,
});

/** A system of the register as the planning sees it. */
export function recordedSystem(
  { kind, nameplateKg, contentKg, facts }: Pick<System, 'kind' | 'nameplateKg' | 'contentKg' | 'facts'>,
  composition: Composition,
  flammable: boolean,
): RecordedSystem {
  return {
    ...circuitRecord({ kind, facts }),
    valves: triedValves(facts),
    unseen: unseenOf(facts),
    composition,
    flammable,
    nameplateKg,
    contentKg,
    lineSet: facts.lineSet === undefined ? undefined : lineSetOf(facts.lineSet),
    volumes: volumesOf(facts.volumes),
    compressor: facts.compressor ?? 'scroll',
    switches: { low: facts.switches?.low ?? 'fitted', lowOpens: facts.switches?.lowOpensPa, highOpens: facts.switches?.highOpensPa },
    limits: facts.limits ?? [],
  };
}

/** What of the make-up of this system nobody has compared with the unit. */
export const unseenOf = ({ known = {} }: System['facts']): readonly MakeUpFact[] => makeUpFacts.filter((fact) => !isFirm(known[fact]?.how));

const triedValves = ({ valves: recorded = {}, known = {} }: System['facts']): NonNullable<CircuitRecord['valves']> =>
  Object.fromEntries(
    valves.flatMap((valve) => {
      const state = recorded[valve];
      return state === undefined ? [] : [[valve, triedState(state, known[valve]?.how)] as const];
    }),
  );

export const lineSetOf = ({ lengthM, coveredM, liquid, suction }: NonNullable<System['facts']['lineSet']>): LineSet => ({
  length: lengthM as Metre,
  covered: coveredM as Metre,
  liquid,
  suction,
});

function volumesOf(volumes: System['facts']['volumes'] = {}): RecordedSystem['volumes'] {
  const known: Partial<Record<(typeof partsWithVolume)[number], PartVolume>> = {};
  for (const part of partsWithVolume) {
    const volume = volumes[part];
    if (volume !== undefined) known[part] = knownVolume(cubicMetre(volume.m3), volume.known);
  }
  return known;
}

interface Measured {
  readonly T: Kelvin;
  readonly standingPressure: Pascal | undefined;
  readonly atmosphere: Pascal;
  readonly reportedShortKg?: number | undefined;
  /** Share of the charge by a running check on this visit. */
  readonly ranShare?: number | undefined;
}

/** What was said of a look, beside what was measured. What nobody has said is not known; of two levels the stricter one is asked. */
export function seenLook(look: Look, { T, standingPressure, atmosphere, reportedShortKg, ranShare }: Measured): SeenLook {
  const found = valves.flatMap((valve) => (look[valve] === undefined ? [] : [[valve, look[valve]] as const]));
  return {
    T,
    standingPressure,
    atmosphere,
    reportedShortKg,
    ranShare,
    sides: look.sides,
    purpose: look.purpose,
    failed: look.failed ?? 'unknown',
    compressor: look.compressor ?? 'unknown',
    metering: look.metering ?? 'unknown',
    cooling: look.coolingMode ?? 'unknown',
    water: look.water ?? 'unknown',
    destination: look.destination,
    acid: look.acid,
    valves: Object.fromEntries(found),
    majorRepair: look.majorRepair ?? true,
    leaks: look.leaks ?? false,
    shaded: look.shaded ?? false,
    equipment: {
      machine: look.machine ?? USUAL_EQUIPMENT.machine,
      cores: look.cores ?? USUAL_EQUIPMENT.cores,
      hoses: look.hoses ?? USUAL_EQUIPMENT.hoses,
      cooling: look.cooling ?? USUAL_EQUIPMENT.cooling,
      ...(look.built === undefined ? {} : { built: look.built }),
    },
  };
}

/** Where practitioners differ, as the organisation has decided. */
export const schoolsOf = ({
  partShare,
  liquidShareAt131F,
  hottestK,
  endOfPumpDown,
}: Pick<Organisation, 'partShare' | 'liquidShareAt131F' | 'hottestK' | 'endOfPumpDown'>): CompanyPractice => ({
  partShare,
  keptShare: liquidShareAt131F,
  hottestK,
  endOfPumpDown,
});

/** What decides between methods: a plan that rests on another word about one of these is looked at again. */
const DECISIVE = [
  'purpose',
  'failed',
  'sides',
  'compressor',
  'metering',
  'coolingMode',
  'water',
  ...valves,
  'majorRepair',
  'leaks',
] as const;
export type DecisiveLook = Pick<Look, (typeof DECISIVE)[number]>;

export const decisiveLook = (look: Look): DecisiveLook =>
  Object.fromEntries(DECISIVE.flatMap((key) => (look[key] === undefined ? [] : [[key, look[key]]])));

/** Whether something decisive was seen since that is not what the plan rests on. */
export const seenSince = (planned: DecisiveLook, now: Look): boolean =>
  DECISIVE.some((key) => (now[key] ?? UNSAID[key]) !== (planned[key] ?? UNSAID[key]));

/** What counts where nobody has said anything, as `seenLook` takes it. */
const UNSAID: DecisiveLook = {
  purpose: 'repair',
  sides: 'unknown',
  failed: 'unknown',
  compressor: 'unknown',
  metering: 'unknown',
  coolingMode: 'unknown',
  water: 'unknown',
  majorRepair: true,
  leaks: false,
};
