import type { Composition } from '../fluids/composition';
import { bubblePoint } from '../thermo/saturation';
import { kelvin, within } from '../units/quantity';
import { barrelUA } from './barrel';
import type { Line } from './flow';
import type { FluidTable } from './fluid-table';
import type { Compressor, Hose, Link, Machine, Pipe, Pump } from './link';
import type { Contents, Node } from './network';
import { dissolvedAtRest, oilOf } from './oil';
import data from './parameters.json';
import { totalEnergy } from './volume-state';

/** What brings a charge out of a system, or into its own condenser. */
export const recoveryMethods = ['direct', 'liquid-first', 'vapour', 'push-pull', 'pump-down'] as const;
export type RecoveryMethod = (typeof recoveryMethods)[number];
/** With the way back: liquid out of the cylinder into the system, by pressure alone and then through the machine. */
export const transferMethods = [...recoveryMethods, 'push-back'] as const;
export type TransferMethod = (typeof transferMethods)[number];
export const coolingsOfCylinder = ['still-air', 'fan', 'water', 'ice'] as const;
export type CylinderCooling = (typeof coolingsOfCylinder)[number];
export const twinHoses = ['1/4', '3/8', '1/2'] as const;
export const suctionsOfMachine = ['open', 'throttled'] as const;
export const twinMachines = ['one-cylinder', 'two-cylinders'] as const;

/**
 * What a machine is set to: it draws from the system; it loops the cylinder, whose vapor it gives back as liquid; or it purges what stands in
 * its own condenser into the cylinder. The system waits for the last two.
 */
export const machineTasks = ['recover', 'loop', 'purge'] as const;
export type MachineTask = (typeof machineTasks)[number];

/** What somebody does on the way, at so many seconds after the start. */
export interface Deed {
  readonly at: number;
  readonly cooling?: CylinderCooling | undefined;
  readonly machine?: 'on' | 'off' | undefined;
  readonly valve?: 'open' | 'shut' | undefined;
  readonly task?: MachineTask | undefined;
  /** How far the suction of the machine is opened. */
  readonly suction?: (typeof suctionsOfMachine)[number] | undefined;
  /** An evacuated cylinder of the same size, as warm as what is around, in place of this one. */
  readonly swap?: true | undefined;
}

/** What no record gives, as factors of the usual values; readings tell them. */
export interface Tuning {
  /** Of areas: hoses, cores, what is left in them. */
  readonly flow: number;
  /** Of what the machine draws. */
  readonly pump: number;
  /** Of the heat that machine and cylinder give away. */
  readonly machineCooling: number;
  readonly cylinderCooling: number;
  /** Of the oil that holds refrigerant. */
  readonly oil: number;
}
export const AS_USUAL: Tuning = { flow: 1, pump: 1, machineCooling: 1, cylinderCooling: 1, oil: 1 };

/** A transfer, SI. */
export interface Scenario {
  readonly composition: Composition;
  readonly system: {
    readonly chargeKg: number;
    readonly temperatureK: number;
    readonly condenserM3: number;
    readonly evaporatorM3: number;
    readonly receiverM3?: number | undefined;
    /** kg of oil in its compressor; as much as usual for the charge unless it is said. */
    readonly oilKg?: number | undefined;
    /** kg of air beside its refrigerant. */
    readonly airKg?: number | undefined;
    /** kg of water that stands around the tubes of its evaporator; none where it flows, is drained, or the evaporator is in air. */
    readonly barrelKg?: number | undefined;
  };
  readonly cylinder: {
    readonly volumeM3: number;
    readonly tareKg: number;
    readonly contentKg: number;
    readonly temperatureK: number;
    readonly cooling: CylinderCooling;
    /**
     * kg in it at which the valve is shut: the most where it is filled, the least where charge is pushed back out of it. Without one, what
     * does not fit is refused before it starts.
     */
    readonly stopKg?: number | undefined;
  };
  readonly machine: (typeof twinMachines)[number] | null;
  readonly hoses: { readonly size: (typeof twinHoses)[number]; readonly lengthM: number; readonly cores: 'in' | 'out' };
  readonly ambientK: number;
  readonly method: TransferMethod;
  /** Of the machine, at the start; fully open unless it is said. */
  readonly suction?: (typeof suctionsOfMachine)[number] | undefined;
  /** Pa absolute at which it ends. */
  readonly endPa: number;
  readonly tuning?: Tuning | undefined;
  readonly deeds?: readonly Deed[] | undefined;
  /** s before which no cut-out opens: what has happened is told by deeds. */
  readonly tripsFrom?: number | undefined;
}

/** Where things are in the network. */
export const HIGH = 0;
export const LOW = 1;
export const MACHINE = 2;
export const CYLINDER = 3;

/** The links of a stage of the transfer. */
export type StageLinks =
  | 'direct'
  | 'machine'
  | 'machine-liquid'
  | 'push-pull'
  | 'loop'
  | 'purge'
  | 'own'
  | 'back'
  | 'back-machine'
  | 'rest';

export interface Rig {
  readonly nodes: readonly Node[];
  readonly links: Readonly<Record<StageLinks, readonly Link[]>>;
}

/** m²: what equalises the sides of a system that stands, through its metering device. */
const EQUALISES = 1.2e-6;
const OPEN = 3e-5;
/** Of saturated vapor, in what counts as empty. */
const HARDLY = 0.02;

/** @throws OutOfRange, NotANumber where a number is none that a transfer can have */
export function refuseImpossible({ composition, system, cylinder, hoses, ambientK, endPa, method }: Scenario): void {
  within('charge', system.chargeKg, method === 'push-back' ? 0 : 1e-3, 5000, 'kg');
  within('volume of the condenser', system.condenserM3, 1e-5, 50, 'm³');
  within('volume of the evaporator', system.evaporatorM3, 1e-5, 50, 'm³');
  if (system.receiverM3 !== undefined) within('volume of the receiver', system.receiverM3, 0, 50, 'm³');
  if (system.oilKg !== undefined) within('oil of the compressor', system.oilKg, 0, 500, 'kg');
  if (system.airKg !== undefined) within('air in the system', system.airKg, 0, 10, 'kg');
  if (system.barrelKg !== undefined) within('water in the barrel', system.barrelKg, 0, 50_000, 'kg');
  within('water capacity of the cylinder', cylinder.volumeM3, 1e-4, 5, 'm³');
  within('content of the cylinder', cylinder.contentKg, 0, 5000, 'kg');
  within('tare', cylinder.tareKg, 0, 5000, 'kg');
  within('length of the hoses', hoses.lengthM, 0.1, 60, 'm');
  for (const T of [system.temperatureK, cylinder.temperatureK, ambientK]) within('temperature', T, 220, 340, 'K');
  within('pressure at the end', endPa, 1000, 5e6, 'Pa');
  const liquid = (T: number) => bubblePoint(composition, kelvin(T)).rhoLiquid;
  const volume = system.condenserM3 + system.evaporatorM3 + (system.receiverM3 ?? 0);
  const inSystem = system.chargeKg + (method === 'push-back' ? cylinder.contentKg - (cylinder.stopKg ?? 0) : 0);
  within('charge in this circuit', inSystem, 0, 0.97 * volume * liquid(system.temperatureK), 'kg');
  within('content of this cylinder', cylinder.contentKg, 0, 0.98 * cylinder.volumeM3 * liquid(cylinder.temperatureK), 'kg');
  if (method !== 'pump-down' && method !== 'push-back' && cylinder.stopKg === undefined)
    within(
      'charge and content for this cylinder',
      system.chargeKg + cylinder.contentKg,
      0,
      cylinder.volumeM3 * liquid(cylinder.temperatureK),
      'kg',
    );
}

/** Whether the cylinder can take the whole charge as liquid: one that cannot never ends. */
export const fitsInCylinder = ({ composition, system, cylinder }: Scenario): boolean =>
  system.chargeKg + cylinder.contentKg <= cylinder.volumeM3 * bubblePoint(composition, kelvin(cylinder.temperatureK)).rhoLiquid;

function lineOf({ size, lengthM, cores }: Scenario['hoses'], flow: number): Line {
  const { bore, friction, fittings } = data.hose;
  const d = bore[size];
  const hose = (Math.PI * d * d) / 4;
  const core = data.core[cores];
  // losses in series, by the smaller area: the core and what the hose takes, in its own velocity heads
  const area = Math.min(hose, core);
  const loss = ((friction * lengthM) / d + fittings) * (area / hose) ** 2 + 1.5 * (area / core) ** 2;
  return { area: flow * area, loss: Math.max(1.2, loss) };
}

/** kg that the system holds when it is charged. */
export const chargeOf = ({ system, cylinder, method }: Scenario): number =>
  method === 'push-back' ? system.chargeKg + Math.max(0, cylinder.contentKg - (cylinder.stopKg ?? 0)) : system.chargeKg;

/** Whether water stands in its evaporator. */
export const hasBarrel = ({ system: { barrelKg = 0 } }: Pick<Scenario, 'system'>): boolean => barrelKg > 0;

/** The network of a scenario, and what is open in each of its stages. */
export function rigOf(scenario: Scenario): Rig {
  const { system, cylinder, machine, ambientK, hoses, tuning = AS_USUAL } = scenario;
  const high = system.condenserM3 + (system.receiverM3 ?? 0);
  const { heatPerM3, UAPerM3, condenserUAPerM3 } = data.system;
  // its own compressor runs with the fan of its condenser
  const highUA = scenario.method === 'pump-down' ? condenserUAPerM3 : UAPerM3;
  const cooling = cylinder.cooling;
  const coolant = cooling === 'water' || cooling === 'ice' ? data.cylinder.coolant[cooling] : ambientK;
  const current = machine === null ? undefined : data.machine[machine];
  const nodes: Node[] = [
    { name: 'high side', V: high, C: heatPerM3 * high, UA: highUA * high, around: ambientK },
    {
      name: 'low side',
      V: system.evaporatorM3,
      C: heatPerM3 * system.evaporatorM3,
      UA: hasBarrel(scenario) ? barrelUA(chargeOf(scenario)) : UAPerM3 * system.evaporatorM3,
      around: hasBarrel(scenario) ? system.temperatureK : ambientK,
      oil: oilOf(chargeOf(scenario), system.oilKg, tuning.oil),
    },
    {
      name: 'machine',
      V: data.machine.condenserM3,
      C: data.machine.condenserC,
      UA: (current?.condenserUA ?? 5) * tuning.machineCooling,
      around: ambientK,
    },
    {
      name: 'cylinder',
      V: cylinder.volumeM3,
      C: data.cylinder.heatPerM3 * cylinder.volumeM3,
      UA: tuning.cylinderCooling * data.cylinder.UA[cooling] * Math.max(0.5, cylinder.volumeM3 / 0.022),
      around: coolant,
    },
  ];
  const hose = lineOf(hoses, tuning.flow);
  const pipe = (from: number, to: number, port: 'low' | 'high', line: Line, oneWay: boolean): Pipe => ({
    kind: 'pipe',
    from,
    to,
    port,
    line,
    oneWay,
  });
  const between = pipe(HIGH, LOW, 'low', { area: EQUALISES, loss: 1.5 }, false);
  const pump: Pump = {
    displacement: tuning.pump * (current?.displacement ?? 0),
    clearance: data.machine.clearance,
    polytropic: data.machine.polytropic,
    filling: data.machine.filling,
    efficiency: data.machine.efficiency,
    mostLiquid: current?.mostLiquid ?? 1,
    suctionAtMost: data.machine.suctionAtMost,
  };
  const slow: Pump = { ...pump, suctionAtMost: data.machine.throttledTo };
  const usual = scenario.suction === 'throttled' ? slow : pump;
  const drawing = (by: Pump, ...from: readonly (readonly [node: number, port: Hose['port']])[]): Machine => ({
    kind: 'machine',
    hoses: from.map(([node, port]) => ({ node, port, line: hose })),
    to: MACHINE,
    pump: by,
  });
  const discharge = (to: number) => pipe(MACHINE, to, 'low', { ...hose, area: Math.max(hose.area, OPEN / 3) }, true);
  const ownCompressor: Compressor = {
    kind: 'compressor',
    from: LOW,
    to: HIGH,
    port: 'high',
    pump: {
      ...pump,
      displacement: tuning.pump * data.own.displacementPerKg * Math.max(0.3, chargeOf(scenario)),
      clearance: data.own.clearance,
      mostLiquid: 1,
      suctionAtMost: 5e6,
    },
  };
  return {
    nodes,
    links: {
      direct: [between, pipe(HIGH, CYLINDER, 'low', hose, false)],
      machine: [between, drawing(usual, [HIGH, 'high'], [LOW, 'high']), discharge(CYLINDER)],
      'machine-liquid': [between, drawing(usual, [HIGH, 'low'], [LOW, 'high']), discharge(CYLINDER)],
      'push-pull': [between, pipe(HIGH, CYLINDER, 'low', hose, true), drawing(usual, [CYLINDER, 'high']), discharge(HIGH)],
      // both its valves are throttled: less work comes in, and its condenser stands warmer than the cylinder, so that more heat goes
      loop: [between, drawing(slow, [CYLINDER, 'high']), pipe(MACHINE, CYLINDER, 'low', data.loop, true)],
      purge: [between, { kind: 'compressor', from: MACHINE, to: CYLINDER, port: 'low', pump: usual }],
      own: [ownCompressor],
      // liquid out of the cylinder into the liquid side
      back: [between, pipe(CYLINDER, HIGH, 'low', hose, true)],
      'back-machine': [between, drawing(usual, [CYLINDER, 'low']), discharge(HIGH)],
      // what a pump-down has shut off on both sides stays there
      rest: scenario.method === 'pump-down' ? [] : [between],
    },
  };
}

/** A volume with hardly anything in it, kg and J. @param T K */
export function emptyOf(table: FluidTable, node: Node, T: number): { readonly m: number; readonly U: number } {
  const m = HARDLY * table.rhoVapour.at(T) * node.V;
  return { m, U: totalEnergy(table, node, m, T) };
}

/** What is in all volumes at the start: the system's charge by its oil and its volumes at rest, hardly anything in machine and cylinder. */
export function startOf({ system, cylinder, method }: Scenario, table: FluidTable, nodes: readonly Node[]): Contents {
  const rhoV = (T: number) => table.rhoVapour.at(T);
  const [vHigh, vLow] = [nodes[HIGH]!.V, nodes[LOW]!.V];
  const T = system.temperatureK;
  const inOil = dissolvedAtStart(system, table, nodes[LOW]!, rhoV(T) * (vHigh + vLow));
  // at rest both sides hold vapour at the same pressure; liquid lies in the high side as far as it goes, before a pump-down in both, and
  // most of it in a barrel, where there is one
  const free = system.chargeKg - inOil;
  const vapour = Math.min(free, rhoV(T) * (vHigh + vLow));
  const liquid = free - vapour;
  const share = hasBarrel({ system }) ? data.barrel.outside : method === 'pump-down' ? vHigh / (vHigh + vLow) : 0.85;
  const room = (V: number) => 0.96 * V * table.rhoLiquid.at(T) - vapour * (V / (vHigh + vLow));
  const inHigh = Math.min(Math.max(share * liquid, liquid - room(vLow)), room(vHigh));
  const m = new Float64Array(nodes.length);
  m[HIGH] = Math.max(emptyOf(table, nodes[HIGH]!, T).m, vapour * (vHigh / (vHigh + vLow)) + inHigh);
  m[LOW] = Math.max(emptyOf(table, nodes[LOW]!, T).m, vapour * (vLow / (vHigh + vLow)) + liquid - inHigh);
  m[MACHINE] = emptyOf(table, nodes[MACHINE]!, T).m;
  m[CYLINDER] = Math.max(cylinder.contentKg, emptyOf(table, nodes[CYLINDER]!, cylinder.temperatureK).m);
  const temperatures = [T, T, T, cylinder.temperatureK];
  const U = Float64Array.from(m, (mass, k) => totalEnergy(table, nodes[k]!, mass, temperatures[k]!));
  const [enriched, air, dissolved, dissolvedU] = Array.from({ length: 4 }, () => new Float64Array(nodes.length)) as Four;
  // air gathers where vapor is: as much in a litre of it on either side
  const space = (V: number, kg: number) => V - kg / table.rhoLiquid.at(T);
  const [above, airKg] = [[space(vHigh, inHigh), space(vLow, liquid - inHigh)] as const, system.airKg ?? 0];
  [air[HIGH], air[LOW]] = [(airKg * above[0]) / (above[0] + above[1]), (airKg * above[1]) / (above[0] + above[1])];
  [dissolved[LOW], dissolvedU[LOW]] = [inOil, inOil * table.hLiquid.at(T)];
  return { m, U, enriched, air, dissolved, dissolvedU };
}
type Four = [Float64Array, Float64Array, Float64Array, Float64Array];

/** kg in the oil of a system that has stood: what the pressure of its charge puts there, and its share of what there is. @param asVapour kg that its volumes hold as vapor */
function dissolvedAtStart({ chargeKg, temperatureK: T }: Scenario['system'], table: FluidTable, { oil }: Node, asVapour: number): number {
  if (oil === undefined) return 0;
  const atPressure = (p: number) => dissolvedAtRest(table, oil, p, T);
  const all = atPressure(table.pBubble.at(T));
  // of a charge that is not enough for liquid beside it, oil and vapor share what there is
  return chargeKg >= asVapour + all ? all : (chargeKg * all) / (asVapour + all);
}
