import { OutOfRange } from '../errors';
import { saturatedLiquid } from '../cylinder/saturated-liquid';
import type { Composition } from '../fluids/composition';
import { bubblePoint } from '../thermo/saturation';
import { byContent } from '../thermo/tables-by-content';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { kelvin, pascal, type CubicMetre, type Kelvin, type Pascal } from '../units/quantity';
import type { Scenario } from '../twin/scenario';
import { TransferRun } from '../twin/transfer-run';
import { usualTransfer } from '../twin/usual-transfer';
import { machineCutOut } from './cut-out';
import { coolings, type Cooling, type Equipment } from './equipment';
import machine from './recovery-machine.json';
import { coolingOf, transferEquipment } from './transfer-equipment';

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

/** What the twin tells of a recovery into usual cylinders, one after the other, before any of them is chosen. */
export interface RecoveryEstimate {
  /** With the cooling that it needs. */
  readonly minutes: number;
  /** What it takes in the field, at least and at most: this machine is new and its valves are open. */
  readonly range: { readonly low: number; readonly high: number };
  /** Until the liquid is over, where it can be drawn. */
  readonly liquidMinutes: number;
  /** Highest pressure of machine and cylinder, Pa absolute: as it is cooled now, until the cut-out opens. */
  readonly headP: Pascal;
  /** Whether the machine's high-pressure cut-out opens. */
  readonly trips: boolean;
  /** The mildest cooling of the cylinder with which it does not; nothing where none is enough. */
  readonly needs: Cooling | undefined;
  /** Where no cooling is enough: even with ice its head is above the cut-out, or it has no liquid there at all. */
  readonly cannot: 'stands-too-high' | 'no-liquid' | undefined;
}

const MINUTE = 60;
/** Pa: a recovery machine is no vacuum pump. Common practice: 25 inHg of vacuum are its best. */
const LOWEST_END = 1000;
/** kg: less than that is no transfer. */
const NOTHING = 1e-3;

/**
 * Kept: while somebody types, most of a plan is asked again with the same recovery.
 * @throws OutOfRange also for a vacuum of 0, which no machine reaches, and for more than the circuit can hold; NoTwoPhaseState where there is no
 *   liquid at T; LiquidParts
 */
export const estimateRecovery: (task: RecoveryTask) => RecoveryEstimate = byContent(estimated);

function estimated(task: RecoveryTask): RecoveryEstimate {
  refuseImpossible(task);
  const first = run(task, task.equipment.cooling);
  const stronger = coolings.slice(coolings.indexOf(task.equipment.cooling) + 1);
  let [needs, settled]: [Cooling | undefined, Run] = [first.trips ? undefined : task.equipment.cooling, first];
  for (const cooling of first.trips ? stronger : []) {
    settled = run(task, cooling);
    if (settled.trips) continue;
    needs = cooling;
    break;
  }
  const { minutes, liquidMinutes } = settled;
  const { low, high } = machine.inTheField;
  const { headP, trips } = first;
  const cannot = needs === undefined ? whyNot(task) : undefined;
  return { minutes, range: { low: low * minutes, high: high * minutes }, liquidMinutes, headP, trips, needs, cannot };
}

function refuseImpossible({ composition, T, massKg, volume, endP }: RecoveryTask): void {
  if (!(endP >= LOWEST_END)) throw new OutOfRange('pressure at the end', endP, LOWEST_END, STANDARD_ATMOSPHERE, 'Pa');
  const most = bubblePoint(composition, T).rhoLiquid * volume;
  if (massKg > most) throw new OutOfRange('mass in this circuit', massKg, 0, most, 'kg');
}

const whyNot = ({ composition }: RecoveryTask): RecoveryEstimate['cannot'] =>
  saturatedLiquid(composition, kelvin(machine.coolantT.ice)) === undefined ? 'no-liquid' : 'stands-too-high';

type Run = Pick<RecoveryEstimate, 'minutes' | 'liquidMinutes' | 'headP' | 'trips'>;

/** To its end, or until the cut-out opens: then as long as all of it would take at that rate. */
function run(task: RecoveryTask, cooling: Cooling): Run {
  const { composition, T, massKg } = task;
  if (massKg < NOTHING) return { minutes: 0, liquidMinutes: 0, headP: bubblePoint(composition, T).p, trips: false };
  const twin = new TransferRun(scenarioOf(task, cooling), Number.POSITIVE_INFINITY);
  let head = 0;
  for (;;) {
    while (!twin.over && head <= machineCutOut) {
      twin.advance();
      head = Math.max(head, twin.now.headPa);
    }
    if (twin.endedBy !== 'stop-weight') break;
    twin.do({ at: twin.time, swap: true });
  }
  const { events, end } = twin.result();
  const all = twin.endedBy === 'reached' || twin.endedBy === 'stalled' ? 1 : massKg / Math.max(NOTHING, massKg - end.leftKg);
  return {
    minutes: (end.t * all) / MINUTE,
    liquidMinutes: (events.find(({ kind }) => kind === 'liquid-over')?.t ?? 0) / MINUTE,
    headP: pascal(head),
    trips: head > machineCutOut,
  };
}

function scenarioOf({ composition, T, volume, massKg, endP, equipment, liquidPort }: RecoveryTask, cooling: Cooling): Scenario {
  const { condenserShare, fillOfUnknownLimit, usualCylinder } = usualTransfer;
  const needed = massKg / (fillOfUnknownLimit * WATER);
  const volumeM3 = Math.max(usualCylinder.volumeM3, needed / usualCylinder.mostInARow);
  return {
    composition,
    system: {
      chargeKg: massKg,
      temperatureK: T,
      condenserM3: condenserShare * volume,
      evaporatorM3: (1 - condenserShare) * volume,
    },
    cylinder: {
      volumeM3,
      tareKg: 0,
      contentKg: 0,
      temperatureK: T,
      cooling: coolingOf(cooling),
      stopKg: fillOfUnknownLimit * WATER * volumeM3,
    },
    ...transferEquipment(equipment),
    ambientK: T,
    method: liquidPort ? 'liquid-first' : 'vapour',
    endPa: Math.max(usualTransfer.least.endPa, endP),
  };
}

/** kg/m³, of what a water capacity is told in. */
const WATER = 1000;
