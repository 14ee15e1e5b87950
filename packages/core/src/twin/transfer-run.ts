import { enthalpyOfWater, waterAt, wallFreezes } from './barrel';
import { fluidTable } from './fluid-table';
import { copyOf, enrichmentOf, step, type NetworkState, type Stepped } from './network';
import data from './parameters.json';
import { cutOutOf } from './cut-out-of';
import {
  CYLINDER,
  emptyOf,
  hasBarrel,
  HIGH,
  LOW,
  rigOf,
  startOf,
  type Deed,
  type MachineTask,
  type Rig,
  type Scenario,
  type StageLinks,
  type TransferMethod,
} from './scenario';
import { drawnDown, headOf, inSystem, sampleOf, toGo, totalsOf, type Sample, type Totals } from './run-state';
import { stateOf } from './volume-state';

export type { Sample } from './run-state';

export type TwinEventKind =
  | 'start'
  | 'liquid-over'
  | 'tubes-freeze'
  | 'machine-on'
  | 'trip'
  | 'restart'
  | 'below-20-psig'
  | 'stop-weight'
  | 'cylinder-full'
  | 'end';
export interface TwinEvent {
  readonly t: number;
  readonly kind: TwinEventKind;
}

export type EndReason = 'reached' | 'stop-weight' | 'stalled' | 'trips' | 'cylinder-full' | 'time';

export interface Simulated {
  readonly samples: readonly Sample[];
  readonly events: readonly TwinEvent[];
  readonly end: {
    readonly reason: EndReason;
    readonly t: number;
    readonly grossKg: number;
    /** In the system, and of that in the oil of its compressor. */
    readonly leftKg: number;
    readonly inOilKg: number;
  };
  /** Relative errors over the whole run: of mass and energy, of how far blend and air went from volume to volume. */
  readonly balance: { readonly mass: number; readonly energy: number; readonly enriched: number; readonly air: number };
  /** s: the length of each step that was taken. */
  readonly steps: readonly number[];
}

/** How a run goes, besides what happens in it. */
export interface Pace {
  /** After so many steps it is given up. */
  readonly mostSteps?: number;
  /**
   * The steps of a run that hardly differs. Taken again, the two differ by what differs in them, and not by the steps that each would choose
   * for itself: what is found by small differences needs that (Bock's internal numerical differentiation, 1981).
   */
  readonly inStepWith?: readonly number[] | undefined;
}

const TWENTY_PSIG = 101_325 + 137_895;
/** Of a side, that liquid still takes: it is over. */
const LIQUID_OVER = 0.03;
/** s that the scale hardly moves, until somebody starts the machine. */
const HANDS_OVER_AFTER = 15;
/** A cylinder this full of liquid is stopped. */
const FULL = 0.97;
/** Trips after which nobody restarts it. */
const MOST_TRIPS = 12;
/** A hundred times what a transfer takes: what still runs then is given up. */
const MOST_STEPS = 400_000;
/** A share of a step. */
const ROUNDED = 1e-9;
/** Steps of another run are borne this much further than those that a run chooses for itself. */
const BORNE = 3;

/** A transfer on its way: it is advanced step by step, and what people do meanwhile changes it from there on. */
export class TransferRun {
  private readonly table;
  /** Pa absolute. */
  private readonly cutOut: number;
  private rig: Rig;
  private stage: StageLinks;
  private t = 0;
  private readonly steps: number[] = [];
  private dt = 0.01;
  private state: NetworkState;
  private readonly samples: Sample[] = [];
  private readonly events: TwinEvent[] = [{ t: 0, kind: 'start' }];
  private nextSample = 0;
  private stalledSince: number | undefined;
  /** Deeds that are still to come, the next one first. */
  private coming: Deed[];
  private valveShut = false;
  private machineOff = false;
  private task: MachineTask = 'recover';
  private tripped = false;
  private trips = 0;
  private end: EndReason | undefined;
  /** J of the water that stands in the evaporator; nothing where none does. */
  private barrel: number | undefined;
  /** J that came from around and from compressors. */
  private gained = 0;
  /** Of cylinders that came, less those that went. */
  private readonly swapped: Totals = { mass: 0, energy: 0, enriched: 0, air: 0 };
  private readonly first: Readonly<Totals> & { readonly scale: number };

  constructor(
    private scenario: Scenario,
    private readonly every: number,
    private readonly pace: Pace = {},
  ) {
    this.table = fluidTable(scenario.composition);
    this.rig = rigOf(scenario);
    this.cutOut = cutOutOf(scenario);
    this.coming = [...(scenario.deeds ?? [])].sort((a, b) => a.at - b.at);
    const contents = startOf(scenario, this.table, this.rig.nodes);
    const temperatures = this.rig.nodes.map((_, k) => (k === CYLINDER ? scenario.cylinder.temperatureK : scenario.system.temperatureK));
    const { m, U } = contents;
    this.state = {
      ...contents,
      states: this.rig.nodes.map((node, k) =>
        stateOf(this.table, node, m[k]!, U[k]!, temperatures[k]!, enrichmentOf(contents, k), contents.air[k]),
      ),
      suctionPa: undefined,
    };
    const { barrelKg = 0, temperatureK } = scenario.system;
    this.barrel = hasBarrel(scenario) ? enthalpyOfWater(barrelKg, temperatureK) : undefined;
    this.stage = firstStage(scenario);
    this.first = { ...totalsOf(contents), scale: U.reduce((total, value) => total + Math.abs(value), 0) };
    this.sampleUntil(this.state, 0, 0);
  }

  get over(): boolean {
    if (this.steps.length > (this.pace.mostSteps ?? MOST_STEPS)) this.end ??= 'time';
    return this.end !== undefined;
  }

  /** Why it is over; nothing while it is not. */
  get endedBy(): EndReason | undefined {
    return this.end;
  }

  /** s since the start. */
  get time(): number {
    return this.t;
  }

  /** How it stands now. */
  get now(): Sample {
    return sampleOf(this.scenario, this.state, this.state, 1, this.t);
  }

  /** What somebody does now, or later on. */
  do(deed: Deed): void {
    this.coming = [...this.coming, deed].sort((a, b) => a.at - b.at);
    // what had ended may go on: a valve is opened again, a machine restarted, an empty cylinder put in place of a full one
    if (this.end === 'stalled' || this.end === 'reached' || (this.end === 'stop-weight' && deed.swap === true)) this.end = undefined;
    this.stalledSince = undefined;
  }

  advance(): void {
    for (let next = this.coming[0]; next !== undefined && next.at <= this.t + 1e-9; next = this.coming[0]) {
      this.coming.shift();
      this.take(next);
    }
    const until = (this.coming[0]?.at ?? Number.POSITIVE_INFINITY) - this.t;
    const given = this.pace.inStepWith?.[this.steps.length];
    const free = given ?? this.dt;
    // as long as it would be anyway, and cut only where that is too long: what is to come changes nothing before it
    const length = (wanted: number) => step(this.table, this.rig.nodes, this.open(), this.state, wanted, given === undefined ? 1 : BORNE);
    const whole = length(free);
    const cut = whole.dt > until * (1 + ROUNDED);
    const stepped = cut ? length(until) : whole;
    this.steps.push(stepped.dt);
    const before = this.state;
    const from = this.t;
    this.t += stepped.dt;
    this.state = stepped.state;
    this.gained += stepped.dt * stepped.power;
    this.coolBarrel(before.states[LOW]!.T, stepped.dt);
    // a step that was cut for a deed says nothing of how long the next one may be
    if (!cut) this.dt = stepped.dt < 0.99 * free ? stepped.dt : stepped.dt * 1.5;
    this.sampleUntil(before, from, this.t);
    this.judge(stepped, Math.abs(this.state.m[CYLINDER]! - before.m[CYLINDER]!) / stepped.dt);
  }

  private open() {
    if (this.valveShut) return this.rig.links.rest;
    const links = this.rig.links[this.task === 'recover' ? this.stage : this.task];
    return this.tripped || this.machineOff ? links.filter(({ kind }) => kind === 'pipe') : links;
  }

  private take({ cooling, machine, valve, task, suction, swap }: Deed): void {
    if (cooling !== undefined || suction !== undefined) {
      const { cylinder } = this.scenario;
      this.scenario = {
        ...this.scenario,
        cylinder: { ...cylinder, cooling: cooling ?? cylinder.cooling },
        suction: suction ?? this.scenario.suction,
      };
      this.rig = rigOf(this.scenario);
      this.coolBarrel(this.state.states[LOW]!.T, 0);
    }
    if (valve !== undefined) this.valveShut = valve === 'shut';
    if (machine !== undefined) {
      this.machineOff = machine === 'off';
      if (machine === 'on') {
        this.tripped = false;
        const next = this.handsOverTo();
        if ((task ?? 'recover') === 'recover' && next !== undefined) this.goOn(next);
      }
    }
    this.task = task ?? this.task;
    if (swap === true) this.swap();
    this.dt = 0.01;
    this.stalledSince = undefined;
  }

  /** What the evaporator took came from the water that stands around its tubes. @param T K of the refrigerant over the step */
  private coolBarrel(T: number, dt: number): void {
    if (this.barrel === undefined) return;
    const { barrelKg = 0 } = this.scenario.system;
    const low = this.rig.nodes[LOW]!;
    this.barrel -= dt * low.UA * (low.around - T);
    const around = waterAt(barrelKg, this.barrel);
    this.rig = { ...this.rig, nodes: this.rig.nodes.map((node, k) => (k === LOW ? { ...node, around } : node)) };
    if (wallFreezes(this.state.states[LOW]!.T, around)) this.once('tubes-freeze');
  }

  /** What was in the last cylinder is no longer part of it; nothing is lost by that. */
  private swap(): void {
    const contents = copyOf(this.state, { air: true, blend: true });
    const { m, U, enriched, air } = contents;
    const { states, suctionPa } = this.state;
    const around = this.scenario.ambientK;
    const node = this.rig.nodes[CYLINDER]!;
    const fresh = emptyOf(this.table, node, around);
    this.swapped.mass += fresh.m - m[CYLINDER]!;
    this.swapped.energy += fresh.U - U[CYLINDER]!;
    this.swapped.enriched -= enriched[CYLINDER]!;
    this.swapped.air -= air[CYLINDER]!;
    [m[CYLINDER], U[CYLINDER], enriched[CYLINDER], air[CYLINDER]] = [fresh.m, fresh.U, 0, 0];
    const standing = stateOf(this.table, node, fresh.m, fresh.U, around);
    this.state = { ...contents, states: states.map((state, k) => (k === CYLINDER ? standing : state)), suctionPa };
  }

  result(): Simulated {
    const { m } = this.state;
    return {
      samples: this.samples,
      events: [...this.events, { t: this.t, kind: 'end' }],
      end: {
        reason: this.end ?? 'time',
        t: this.t,
        grossKg: this.gross(m),
        leftKg: inSystem(this.state),
        inOilKg: this.state.dissolved[LOW]!,
      },
      balance: this.balance(),
      steps: this.steps,
    };
  }

  private balance(): Simulated['balance'] {
    const { mass, energy, enriched, air } = totalsOf(this.state);
    const { first, swapped } = this;
    return {
      mass: Math.abs(mass - first.mass - swapped.mass) / first.mass,
      energy: Math.abs(energy - first.energy - swapped.energy - this.gained) / first.scale,
      enriched: Math.abs(enriched - swapped.enriched) / first.mass,
      air: first.air === 0 ? 0 : Math.abs(air - first.air - swapped.air) / first.air,
    };
  }

  private gross(m: Float64Array): number {
    return this.scenario.cylinder.tareKg + m[CYLINDER]!;
  }

  /** @param scaleMoves kg/s */
  private judge({ fastest, dt }: Stepped, scaleMoves: number): void {
    const { states, m } = this.state;
    const { method, endPa } = this.scenario;
    const drawn = drawnDown(this.scenario, this.state);
    if (drawn < TWENTY_PSIG) this.once('below-20-psig');
    this.watchHead(headOf(this.scenario, this.state), this.cutOut);
    if (this.isAtStop(m[CYLINDER]!)) {
      this.once('stop-weight');
      this.end ??= 'stop-weight';
    }
    if (fillsCylinder(method) && states[CYLINDER]!.liquidShare > FULL) {
      this.once('cylinder-full');
      this.end = 'cylinder-full';
    }
    const byItself = this.stage === 'direct' || this.stage === 'back';
    if (drawn <= endPa && !byItself && !this.valveShut && this.task === 'recover') this.end ??= 'reached';
    if (this.t > data.most.hours * 3600) this.end ??= 'time';
    this.watchFlow(
      this.handsOverTo() === undefined ? fastest : scaleMoves,
      states[method === 'push-back' ? CYLINDER : HIGH]!.liquidShare,
      dt,
    );
  }

  private isAtStop(contentKg: number): boolean {
    const { method, cylinder } = this.scenario;
    if (method === 'pump-down' || cylinder.stopKg === undefined) return false;
    return method === 'push-back' ? contentKg <= cylinder.stopKg : contentKg >= cylinder.stopKg;
  }

  private watchHead(head: number, cutOut: number): void {
    if (this.t < (this.scenario.tripsFrom ?? 0)) return;
    if (!this.tripped && head > cutOut) {
      this.tripped = true;
      this.events.push({ t: this.t, kind: 'trip' });
      if (++this.trips > MOST_TRIPS) this.end ??= 'trips';
    } else if (this.tripped && head < data.machine.restartBelow) {
      this.tripped = false;
      this.events.push({ t: this.t, kind: 'restart' });
    }
  }

  /** Nothing moves any more, or the liquid is over: the next stage, or the end. */
  private watchFlow(flow: number, liquid: number, dt: number): void {
    const { stalledKgPerMinute, stalledMinutes, handOverKgPerMinute } = data.most;
    if (this.tripped || this.machineOff || this.valveShut || this.task !== 'recover') {
      this.stalledSince = undefined;
      return;
    }
    const next = this.handsOverTo();
    const least = next === undefined ? stalledKgPerMinute : handOverKgPerMinute;
    const moves = flow * 60 > least * Math.max(0.2, Math.min(1, toGo(this.scenario, this.state)));
    if (moves) this.stalledSince = undefined;
    else this.stalledSince ??= this.t - dt;
    const stalled = this.stalledSince === undefined ? 0 : this.t - this.stalledSince;
    if (next !== undefined) {
      // whoever is known to start the machine starts it then, not before
      const told = this.coming.some(({ machine }) => machine === 'on');
      if (!told && (stalled > HANDS_OVER_AFTER || liquid < LIQUID_OVER)) this.goOn(next);
    } else if (this.stage === 'push-pull' && liquid < LIQUID_OVER) this.goOn('machine');
    else if (stalled > stalledMinutes * 60) this.end ??= 'stalled';
  }

  /** What the machine goes on with, once hardly anything moves by itself. */
  private handsOverTo(): StageLinks | undefined {
    if (this.stage === 'direct' && this.scenario.method === 'liquid-first') return 'machine-liquid';
    return this.stage === 'back' ? 'back-machine' : undefined;
  }

  private goOn(stage: StageLinks): void {
    if (this.scenario.method !== 'push-back') this.events.push({ t: this.t, kind: 'liquid-over' });
    if (this.scenario.machine === null) {
      this.end ??= 'stalled';
      return;
    }
    this.stage = stage;
    this.stalledSince = undefined;
    this.dt = 0.01;
    this.once('machine-on');
  }

  private once(kind: TwinEventKind): void {
    if (!this.events.some((event) => event.kind === kind)) this.events.push({ t: this.t, kind });
  }

  /** What is reported lies between two steps: it is put there, and no step is cut for it. */
  private sampleUntil(before: NetworkState, from: number, to: number): void {
    while (this.nextSample <= to + 1e-9) {
      const share = to > from ? (this.nextSample - from) / (to - from) : 1;
      this.samples.push(sampleOf(this.scenario, before, this.state, share, this.nextSample));
      this.nextSample += this.every;
    }
  }
}

const fillsCylinder = (method: TransferMethod): boolean => method !== 'pump-down' && method !== 'push-back';

function firstStage({ method, machine }: Scenario): StageLinks {
  switch (method) {
    case 'pump-down':
      return 'own';
    case 'vapour':
      return machine === null ? 'rest' : 'machine';
    case 'push-pull':
      return machine === null ? 'direct' : 'push-pull';
    case 'direct':
    case 'liquid-first':
      return 'direct';
    case 'push-back':
      return 'back';
    default:
      return method satisfies never;
  }
}
