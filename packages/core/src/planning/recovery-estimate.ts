import { NoTwoPhaseState, OutOfRange } from '../errors';
import { saturatedLiquid } from '../cylinder/saturated-liquid';
import type { Composition } from '../fluids/composition';
import { enthalpy } from '../thermo/caloric';
import { bubblePoint, dewPoint, phasesOf } from '../thermo/saturation';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { kelvin, type CubicMetre, type Kelvin, type Pascal } from '../units/quantity';
import { coolings, type Cooling, type Equipment } from './equipment';
import { machineCutOut } from './cut-out';
import machine from './recovery-machine.json';

export interface RecoveryTask {
  readonly composition: Composition;
  readonly massKg: number;
  readonly T: Kelvin;
  /** Of the circuit that is emptied. */
  readonly volume: CubicMetre;
  /** Absolute, Pa, at which it ends. */
  readonly endP: Pascal;
  readonly equipment: Equipment;
  /** Whether liquid can be drawn: from a low port, before the vapour. */
  readonly liquidPort: boolean;
}

/** A first estimate, quasi-steady: a simulation takes its place later and answers the same. */
export interface RecoveryEstimate {
  readonly minutes: number;
  /** What it takes in the field, at least and at most: this machine is new, its valves are open and nobody changes a cylinder. */
  readonly range: { readonly low: number; readonly high: number };
  readonly liquidMinutes: number;
  readonly vapourMinutes: number;
  /** Highest pressure of machine and cylinder, Pa absolute, and the temperature that belongs to it. */
  readonly headP: Pascal;
  readonly headT: Kelvin;
  /** Whether the machine's high-pressure cut-out opens. */
  readonly trips: boolean;
  /** The mildest cooling of the cylinder with which it does not; nothing where none is enough. */
  readonly needs: Cooling | undefined;
  /** Where no cooling is enough: even with ice its head is above the cut-out, or it has no liquid there at all. */
  readonly cannot: 'stands-too-high' | 'no-liquid' | undefined;
}

/** Share of the charge that a low port reaches as liquid: common practice, the rest lies in pockets and in the oil. */
const REACHABLE = 0.7;
const MINUTE = 60;
const SUCTION_AT_MOST = pressureFrom(machine.suctionAtMost.value, 'bar', STANDARD_ATMOSPHERE);
/** Steps in which the vapour is taken down, and the liquid boiled away. */
const STEPS = 24;

/**
 * @throws OutOfRange also for a vacuum of 0, which no machine reaches, and for more than the circuit can hold; NoTwoPhaseState where there is no
 *   liquid at T; LiquidParts
 */
export function estimateRecovery(task: RecoveryTask): RecoveryEstimate {
  refuseImpossible(task);
  const estimate = run(task);
  const needs = estimate.trips ? coolings.find((cooling) => !run(cooledBy(task, cooling)).trips) : task.equipment.cooling;
  const { low, high } = machine.inTheField;
  const range = { low: low * estimate.minutes, high: high * estimate.minutes };
  return { ...estimate, range, needs, cannot: needs === undefined ? whyNot(task) : undefined };
}

function refuseImpossible({ composition, T, massKg, volume, endP }: RecoveryTask): void {
  if (!(endP >= LOWEST_END)) throw new OutOfRange('pressure at the end', endP, LOWEST_END, STANDARD_ATMOSPHERE, 'Pa');
  const most = bubblePoint(composition, T).rhoLiquid * volume;
  if (massKg > most) throw new OutOfRange('mass in this circuit', massKg, 0, most, 'kg');
}

/** Pa: a recovery machine is no vacuum pump. Common practice: 25 inHg of vacuum are its best. */
const LOWEST_END = 1000;

const whyNot = ({ composition }: RecoveryTask): RecoveryEstimate['cannot'] =>
  saturatedLiquid(composition, kelvin(machine.coolantT.ice)) === undefined ? 'no-liquid' : 'stands-too-high';

type Run = Omit<RecoveryEstimate, 'needs' | 'range' | 'cannot'>;

const cooledBy = (task: RecoveryTask, cooling: Cooling): RecoveryTask => ({ ...task, equipment: { ...task.equipment, cooling } });

function run(task: RecoveryTask): Run {
  const current = machine.classes[task.equipment.machine];
  const here = stateAt(task.composition, task.T);
  const reachable = task.liquidPort ? Math.max(0, task.massKg - here.rhoVapour * task.volume) * REACHABLE : 0;
  const liquidFlow = Math.min(current.mostLiquid.value, criticalFlux(here) * opening(task.equipment));
  const liquidMinutes = reachable / liquidFlow / MINUTE;
  const vapour = boilDown(task, task.massKg - reachable);
  const headT = kelvin(vapour.headT);
  const headP = saturationOrAbove(task.composition, headT);
  return {
    minutes: liquidMinutes + vapour.minutes,
    liquidMinutes,
    vapourMinutes: vapour.minutes,
    headP,
    headT,
    trips: headP > machineCutOut,
  };
}

/** m²: core and hose one after the other, as two openings in a row. */
const opening = ({ cores, hoses }: Equipment) => 1 / Math.hypot(1 / machine.core[cores], 1 / machine.hose[hoses]);

interface State {
  readonly T: number;
  readonly p: number;
  readonly rhoVapour: number;
  readonly latent: number;
  readonly vfg: number;
  readonly cp: number;
}

function stateAt(composition: Composition, T: Kelvin): State {
  const [bubble, dew] = [bubblePoint(composition, T), dewPoint(composition, T)];
  const colder = bubblePoint(composition, kelvin(T - 1));
  const hLiquid = enthalpy(phasesOf(bubble).liquid);
  return {
    T,
    p: bubble.p,
    rhoVapour: dew.rhoVapour,
    latent: enthalpy(phasesOf(dew).vapour) - hLiquid,
    vfg: 1 / dew.rhoVapour - 1 / bubble.rhoLiquid,
    cp: hLiquid - enthalpy(phasesOf(colder).liquid),
  };
}

/** Critical mass flux of a flashing liquid, kg/(m² s): Fauske's h_fg/(v_fg √(c T)), from memory, less a fifth for a short way. */
const criticalFlux = ({ latent, vfg, cp, T }: State) => (0.8 * latent) / (vfg * Math.sqrt(cp * T));

/**
 * The remaining liquid boils as fast as the machine draws its vapour, at the temperature at which the walls bring the heat; then the
 * vapour is drawn down to the end. The head warms until machine and cylinder give off what was taken up.
 */
function boilDown(task: RecoveryTask, massKg: number): { readonly minutes: number; readonly headT: number } {
  const current = machine.classes[task.equipment.machine];
  const first = stateAt(task.composition, task.T);
  let [headT, seconds, rest] = [warmedTo(0, task), 0, massKg];
  const step = massKg / STEPS;
  let T = task.T as number;
  while (step > 0 && rest > step / 2) {
    const state = stateAt(task.composition, kelvin(T));
    if (rest <= state.rhoVapour * task.volume) break;
    const flow = current.displacement.value * vapourDrawn(state, saturationOrAbove(task.composition, kelvin(headT)));
    seconds += step / flow;
    headT = Math.max(headT, warmedTo(flow * first.latent * WITH_WORK, task));
    const walls = (machine.systemUA.value * task.volume) / 1e-3;
    T = Math.max(coldest(task), task.T - (flow * state.latent) / walls);
    rest -= step;
  }
  const end = stateAt(task.composition, kelvin(T));
  // what is left may be less than saturated vapour: a nearly empty circuit starts lower, an empty one is done
  const left = end.p * Math.min(1, Math.max(0, rest) / (end.rhoVapour * task.volume));
  const swept =
    current.displacement.value *
    volumetric(Math.min(Math.max(left, task.endP), SUCTION_AT_MOST), saturationOrAbove(task.composition, kelvin(headT)));
  if (left > task.endP) seconds += (task.volume / swept) * Math.log(left / task.endP);
  return { minutes: seconds / MINUTE, headT };
}

const COLDEST_WALL = 30;
/** K: a coil does not get colder than that below the surroundings while it is emptied. */
const coldest = ({ T }: RecoveryTask) => T - COLDEST_WALL;

/** kg per m³ of displacement: the suction is throttled, and its gas thinner in proportion. */
function vapourDrawn(state: State, headP: number): number {
  const suction = Math.min(state.p, SUCTION_AT_MOST);
  return volumetric(suction, headP) * state.rhoVapour * (suction / state.p);
}

/** What is given off in the head, over the heat that was taken up: the work of compression comes to it. */
const WITH_WORK = 1 + 0.1 / machine.efficiency;

/** Temperature, K, at which the machine's condenser and the cooled cylinder together give off `heat`, W. */
function warmedTo(heat: number, { T, equipment: { cooling, machine: own } }: RecoveryTask): number {
  const coolant = cooling === 'water' || cooling === 'ice' ? machine.coolantT[cooling] : T;
  const [ofMachine, ofCylinder] = [machine.classes[own].condenserUA.value, machine.cylinderUA[cooling]];
  return (heat + ofMachine * T + ofCylinder * coolant) / (ofMachine + ofCylinder);
}

/** What a stroke really takes: clearance gas expands first. */
const volumetric = (p: number, headP: number) =>
  Math.max(0.1, machine.fillingFactor * (1 + machine.clearance - machine.clearance * Math.max(1, headP / p) ** (1 / machine.polytropic)));

/** Saturation pressure, or beyond the end of the line that of the end: the machine has tripped long before. */
function saturationOrAbove(composition: Composition, T: Kelvin): Pascal {
  try {
    return bubblePoint(composition, T).p;
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return bubblePoint(composition, kelvin(0.999 * error.highestT)).p;
    throw error;
  }
}
