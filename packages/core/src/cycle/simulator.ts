import { noFaults, type Conditions, type Faults } from './conditions';
import { pressureOf } from './cycle-design';
import { readingsOf, type ReadingName } from './cycle-readings';
import { solveCycle } from './cycle-solve';
import { sceneOf, type Unknown } from './cycle-state';
import { heatingOf } from './heating';
import data from './simulator.json';
import type { Unit } from './unit';

type All = Record<ReadingName, number>;

/** What a reading waits for beside the charge; what is no temperature and no pressure waits for nothing. */
const WAITS_FOR: Partial<Record<ReadingName, keyof Pick<typeof data, 'pressureS' | 'coilS' | 'shellS'>>> = {
  head: 'pressureS',
  suction: 'pressureS',
  liquidLine: 'pressureS',
  meteringInlet: 'pressureS',
  suctionLine: 'coilS',
  supply: 'coilS',
  supplyWetBulb: 'coilS',
  condenserAir: 'coilS',
  discharge: 'shellS',
};
const NO_STEADY_STATE_AFTER_S = 20;

/**
 * A unit over time: the steady model where it is going, and three lags on the way there, of the charge that comes out of evaporator and shell,
 * of the coils and of the compressor's shell. The stand-in for a real one, for instruments and for practice; it decides nothing.
 */
export class RunningUnit {
  private running = false;
  /** s since it has run without a steady state; beyond some it stops by itself. */
  private lostS = 0;
  /** Share of the charge that takes part. */
  private active = 1;
  private last: Unknown | undefined;
  private readings: All;

  constructor(
    private readonly unit: Unit,
    private conditions: Conditions,
    private faults: Faults = noFaults,
  ) {
    this.readings = this.standing();
  }

  start(): void {
    if (!this.running) this.active = data.startsWith;
    [this.running, this.lostS] = [true, 0];
  }

  stop(): void {
    [this.running, this.last] = [false, undefined];
  }

  change(conditions: Partial<Conditions>, faults: Partial<Faults> = {}): void {
    this.conditions = { ...this.conditions, ...conditions };
    this.faults = { ...this.faults, ...faults };
  }

  /** @param kg that go in; below 0 what is taken out. No more is taken out than is in it. */
  feed(kg: number): void {
    this.change({}, { charge: Math.max(0, this.faults.charge + kg / this.unit.plate.plateKg) });
  }

  /** @param seconds as short as the caller wants to see it */
  advance(seconds: number): void {
    this.active += (1 - Math.exp(-seconds / data.chargeS)) * (1 - this.active);
    const goal = this.running ? this.goal() : this.standing();
    if (goal === undefined) {
      // a start with half the charge still in the evaporator is no reason to stop
      if (this.active > data.allTakesPart) this.lostS += seconds;
      if (this.lostS > NO_STEADY_STATE_AFTER_S) this.stop();
      return;
    }
    this.lostS = 0;
    const names = Object.keys(goal) as ReadingName[]; // of every reading
    this.readings = Object.fromEntries(
      names.map((name) => {
        const wait = WAITS_FOR[name];
        if (wait === undefined) return [name, goal[name]];
        const share = 1 - Math.exp(-seconds / (this.running ? data[wait] : data.standsS));
        return [name, this.readings[name] + share * (goal[name] - this.readings[name])];
      }),
    ) as All;
  }

  get runs(): boolean {
    return this.running;
  }

  /** kg in it. */
  get chargeKg(): number {
    return this.faults.charge * this.unit.plate.plateKg;
  }

  get now(): Readonly<All> {
    return this.readings;
  }

  get around(): Conditions {
    return this.conditions;
  }

  /** Where it is going with what takes part now; nothing where that has no steady state. */
  private goal(): All | undefined {
    const faults = { ...this.faults, charge: this.active * this.faults.charge };
    const solved = solveCycle(this.unit, this.conditions, faults, this.last);
    if (solved.state === 'not') return undefined;
    this.last = solved.cycle.u;
    const unit = this.conditions.heating === true ? heatingOf(this.unit) : this.unit;
    return readingsOf(sceneOf(unit, this.conditions, faults), solved.cycle);
  }

  /** Both sides at the pressure of what is in it, everything as warm as its air. */
  private standing(): All {
    const { outdoorK, indoorK, indoorWetBulbK } = this.conditions;
    const full = Math.min(1, this.faults.charge / data.gasShare);
    const pressure = Math.max(data.vacuumPa, full * pressureOf(this.unit.table, Math.min(outdoorK, indoorK), ({ Td }) => Td));
    const { headGauge, suctionGauge } = this.faults;
    return {
      head: pressure + headGauge,
      suction: pressure + suctionGauge,
      suctionLine: outdoorK,
      liquidLine: outdoorK,
      supply: indoorK,
      discharge: outdoorK,
      power: 0,
      condenserAir: outdoorK,
      meteringInlet: outdoorK,
      supplyWetBulb: indoorWetBulbK ?? indoorK,
      headZero: headGauge,
      suctionZero: suctionGauge,
      standing: headGauge,
      airflow: 0,
      outdoorCoil: this.faults.outdoorAir,
    };
  }
}
