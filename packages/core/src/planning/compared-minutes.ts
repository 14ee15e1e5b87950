import { NoTwoPhaseState, OutOfRange } from '../errors';
import type { Composition } from '../fluids/composition';
import { enthalpy } from '../thermo/caloric';
import { bubblePoint, dewPoint, phasesOf } from '../thermo/saturation';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { kelvin, type Kelvin, type Pascal } from '../units/quantity';
import type { RecoveryTask } from './recovery-estimate';
import machine from './recovery-machine.json';

/** Share of the charge that a low port reaches as liquid: common practice, the rest lies in pockets and in the oil. */
const REACHABLE = 0.7;
const MINUTE = 60;
const SUCTION_AT_MOST = pressureFrom(machine.suctionAtMost.value, 'bar', STANDARD_ATMOSPHERE);
/** Steps in which the vapour is taken down, and the liquid boiled away. */
const STEPS = 24;

/**
 * Minutes that a recovery takes, quasi-steady: good enough to set methods beside each other, and there are many of them in each plan. What
 * is told of the one that is chosen is the twin's (`recovery-estimate.ts`).
 * @throws OutOfRange for more than the circuit can hold; NoTwoPhaseState where there is no liquid at T; LiquidParts
 */
export function comparedMinutes(task: RecoveryTask): number {
  const { composition, T, massKg, volume, equipment, liquidPort } = task;
  const most = bubblePoint(composition, T).rhoLiquid * volume;
  if (massKg > most) throw new OutOfRange('mass in this circuit', massKg, 0, most, 'kg');
  const here = stateAt(composition, T);
  const reachable = liquidPort ? Math.max(0, massKg - here.rhoVapour * volume) * REACHABLE : 0;
  const liquidFlow = Math.min(machine.classes[equipment.machine].mostLiquid.value, criticalFlux(here) * opening(equipment));
  return reachable / liquidFlow / MINUTE + boilDown(task, massKg - reachable);
}

/** m²: core and hose one after the other, as two openings in a row. */
const opening = ({ cores, hoses }: RecoveryTask['equipment']) => 1 / Math.hypot(1 / machine.core[cores], 1 / machine.hose[hoses]);

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
function boilDown(task: RecoveryTask, massKg: number): number {
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
  return seconds / MINUTE;
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
