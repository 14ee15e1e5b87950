import { feedRate, feedingRules, goesInStanding } from '@hygromet/core/charge/feeding';
import { noFaults, type Conditions, type Faults } from '@hygromet/core/cycle/conditions';
import { designOf, ratingOf } from '@hygromet/core/cycle/cycle-design';
import { heatingRating } from '@hygromet/core/cycle/heating';
import { RunningUnit } from '@hygromet/core/cycle/simulator';
import { guessNames, sigmaOf, usualGuesses, type Guesses, type Metering, type Unit, type UnitPlate } from '@hygromet/core/cycle/unit';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import type { System } from '@hygromet/contract/system';
import { plateOf } from '@hygromet/contract/unit-of-system';
import type { Noise } from './noise';
import { arriving, type Played, type Shown, type Speed } from './played';

/** What is wrong with the unit, for whoever is to find it. */
const FAULTS = {
  none: {},
  undercharge: { charge: 0.82 },
  overcharge: { charge: 1.2 },
  restriction: { restriction: 22 },
  'dirty-condenser': { outdoorAir: 0.42 },
  'low-airflow': { indoorAir: 0.6 },
} as const satisfies Readonly<Record<string, Partial<Faults>>>;
export type RunFault = keyof typeof FAULTS;
export const runFaults = Object.keys(FAULTS) as readonly RunFault[]; // the keys of the table
export const runProbes = ['suction', 'head', 'suctionLine', 'liquidLine', 'supply'] as const;
export type RunProbe = (typeof runProbes)[number];
export const runStarts = ['standing', 'evacuated'] as const;

/** What a person sets up before he charges or checks a unit. */
export interface RunSetting {
  readonly system: string;
  /** What it is charged from. */
  readonly cylinder: string;
  readonly fault: RunFault;
  readonly metering: Metering;
  readonly start: (typeof runStarts)[number];
  /** A heat pump that heats. */
  readonly heating: boolean;
  readonly outdoorK: number;
}

/** What a person can do there. */
export type RunAct =
  | { readonly act: 'compressor'; readonly to: 'on' | 'off' }
  | { readonly act: 'feed'; readonly to: 'open' | 'shut' }
  | { readonly act: 'rain'; readonly to: 'on' | 'off' }
  | { readonly act: 'put-right' }
  | { readonly act: 'probe'; readonly probe: RunProbe; readonly to: 'on' | 'off' }
  | { readonly act: 'speed'; readonly to: Speed };

const AIR_PA = 101_325;
const STEP_S = 5;
/** kg/s of liquid through a 1/4 in hose into an evacuated system. */
const STANDING_FLOW = 0.02;
/** kg/s through the throttled suction where no superheat is to spare: somebody feeds all the same. */
const CRACKED_FLOW = 2e-4;
const SCALE_STEP = 0.005;
const SIGMAS = 0.4;

/** A unit that runs, or is charged, as it really is: what the running check is to find out. Beside it a cylinder on a scale. */
export class RunningScene implements Played<RunAct> {
  private readonly plate: UnitPlate;
  private readonly unit: Unit;
  private readonly run: RunningUnit;
  private t = 0;
  private speed: Speed = 1;
  private readonly off = new Set<RunProbe>();
  private feed: 'open' | 'shut' = 'shut';
  private rain: 'on' | 'off' = 'off';
  private contentKg: number;
  private readonly bias: Readonly<Record<RunProbe, number>>;

  constructor(
    system: System,
    private readonly cylinder: { readonly tareKg: number; readonly contentKg: number },
    setting: Pick<RunSetting, 'fault' | 'metering' | 'start' | 'heating' | 'outdoorK'>,
    private readonly noise: Noise,
  ) {
    const { fault, metering, start, heating, outdoorK } = setting;
    const plate = plateOf(system, refrigerant(system.refrigerant).composition, 0, { metering });
    if (plate === undefined) throw new Error('The running of this kind of system is not modelled.');
    this.plate = plate;
    this.unit = designOf(this.plate, this.hidden());
    if (heating && this.plate.kind !== 'heat-pump') throw new Error('Only a heat pump heats.');
    const faults = { ...noFaults, ...FAULTS[fault], ...(start === 'evacuated' ? { charge: 0 } : {}) };
    this.run = new RunningUnit(this.unit, { ...(heating ? heatingRating : ratingOf(this.plate)), outdoorK }, faults);
    this.contentKg = cylinder.contentKg;
    this.bias = {
      suction: 1 + 0.004 * noise.normal(),
      head: 1 + 0.004 * noise.normal(),
      suctionLine: 0.3 * noise.normal(),
      liquidLine: 0.3 * noise.normal(),
      supply: 0.2 * noise.normal(),
    };
  }

  pass(seconds: number): void {
    const until = this.t + this.speed * seconds;
    while (this.t < until) {
      const step = Math.min(STEP_S, until - this.t);
      this.t += step;
      const kg = this.feed === 'open' ? Math.min(this.contentKg, this.flow() * step) : 0;
      this.contentKg -= kg;
      this.run.feed(kg);
      this.run.advance(step);
    }
  }

  do(entry: RunAct): void {
    switch (entry.act) {
      case 'compressor':
        if (entry.to === 'on') this.run.start();
        else this.run.stop();
        return;
      case 'feed':
        this.feed = entry.to;
        return;
      case 'rain':
        this.rain = entry.to;
        this.run.change({ rain: entry.to === 'on' });
        return;
      case 'put-right':
        this.run.change({}, { ...noFaults, charge: this.run.chargeKg / this.plate.plateKg });
        return;
      case 'probe':
        if (entry.to === 'off') this.off.add(entry.probe);
        else this.off.delete(entry.probe);
        return;
      case 'speed':
        this.speed = entry.to;
        return;
      default:
        return entry satisfies never;
    }
  }

  shown(): Shown {
    const { head, suction, suctionLine, liquidLine, supply, discharge } = this.run.now;
    const { outdoorK, indoorK, indoorWetBulbK } = this.around;
    const noisy = (value: number, sigma: number) => value + sigma * this.noise.normal();
    const pressure = (name: 'head' | 'suction', p: number) => Math.max(0, noisy(AIR_PA + (p - AIR_PA) * this.bias[name], 2500));
    const all: Readonly<Record<RunProbe, number>> = {
      head: pressure('head', head),
      suction: pressure('suction', suction),
      suctionLine: noisy(suctionLine + this.bias.suctionLine, 0.1),
      liquidLine: noisy(liquidLine + this.bias.liquidLine, 0.1),
      supply: noisy(supply + this.bias.supply, 0.1),
    };
    const read = {
      ...Object.fromEntries(Object.entries(all).filter(([name]) => !this.off.has(name as RunProbe))), // the names of the probes
      discharge: noisy(discharge, 0.3),
      outdoor: noisy(outdoorK, 0.1),
      indoor: noisy(indoorK, 0.1),
      ...(indoorWetBulbK === undefined ? {} : { wetBulb: noisy(indoorWetBulbK, 0.1) }),
      gross: Math.round(noisy(this.cylinder.tareKg + this.contentKg, 0.003) / SCALE_STEP) * SCALE_STEP,
    };
    return arriving(read, () => this.noise.uniform());
  }

  state() {
    const { speed, t, feed, rain, contentKg } = this;
    const { head, suction, suctionLine, liquidLine } = this.run.now;
    return {
      kind: 'running' as const,
      speed,
      t,
      feed,
      rain,
      compressor: this.run.runs ? ('on' as const) : ('off' as const),
      off: [...this.off],
      chargeKg: this.run.chargeKg,
      plateKg: this.plate.plateKg,
      grossKg: this.cylinder.tareKg + contentKg,
      superheatK: suctionLine - this.unit.table.saturation(Math.max(this.unit.table.least, suction)).Td,
      subcoolingK: this.unit.table.saturation(Math.max(this.unit.table.least, head)).Tb - liquidLine,
      headPa: head,
      suctionPa: suction,
    };
  }

  private get around(): Conditions {
    return this.run.around;
  }

  /** A unit of this plate, as no plate tells it: each guess off by some part of what is usual. */
  private hidden(): Guesses {
    return Object.fromEntries(
      guessNames.map((name) => [name, usualGuesses[name] + SIGMAS * sigmaOf(name) * this.noise.normal()]),
    ) as Guesses;
  }

  /** kg/s while the valve of the cylinder is open: by itself into what stands, throttled into what runs. */
  private flow(): number {
    const { chargeKg, runs, now, around } = this.run;
    if (!runs) return chargeKg < goesInStanding(around.outdoorK - feedingRules.cylinderK) * this.plate.plateKg ? STANDING_FLOW : 0;
    const superheatK = Math.max(-50, Math.min(150, now.suctionLine - this.unit.table.saturation(now.suction).Td));
    const massFlow = feedingRules.flowPerWatt * this.plate.capacityW;
    return Math.max(CRACKED_FLOW, feedRate({ composition: this.plate.composition, superheatK, massFlow }).kgPerS);
  }
}
