import { compressibility, GAS_CONSTANT, NITROGEN_MOLAR_MASS, nitrogenDensity } from '@hygromet/core/proof/nitrogen';
import { speedAtSystem, type Rig } from '@hygromet/core/proof/conductance';
import { PASCAL_PER_MICRON, waterVapourPressure } from '@hygromet/core/proof/water';
import { kelvin, pascal } from '@hygromet/core/units/quantity';
import type { Noise } from './noise';
import { arriving, type Played, type Shown, type Speed } from './played';

export const leaks = ['none', 'small', 'large', 'own-hose'] as const;
export type Leak = (typeof leaks)[number];
export const proofProbes = ['head', 'wall', 'air', 'vacuum'] as const;
export type ProofProbe = (typeof proofProbes)[number];

/** What a person sets up before he tests a system. */
export interface ProofSetting {
  readonly system: string;
  readonly leak: Leak;
  /** Water lies in it. */
  readonly wet: boolean;
  readonly ambientK: number;
}

/** What a person can do there. */
export type ProofAct =
  | { readonly act: 'nitrogen'; readonly gaugePa: number }
  | { readonly act: 'vent' }
  | { readonly act: 'pump'; readonly to: 'on' | 'off' }
  | { readonly act: 'system-valve'; readonly to: 'open' | 'shut' }
  | { readonly act: 'mend' }
  | { readonly act: 'sun'; readonly to: 'on' | 'off' }
  | { readonly act: 'probe'; readonly probe: ProofProbe; readonly to: 'on' | 'off' }
  | { readonly act: 'speed'; readonly to: Speed };

const AIR_PA = 101_325;
/** Of the truth: share of nitrogen an hour, micron a minute into the whole volume. */
const LEAKS: Readonly<Record<Leak, { readonly perHour: number; readonly system: number; readonly rig: number }>> = {
  none: { perHour: 0, system: 0, rig: 0 },
  small: { perHour: 0.015, system: 12, rig: 0 },
  large: { perHour: 0.12, system: 90, rig: 0 },
  'own-hose': { perHour: 0, system: 0, rig: 40 },
};
/** Heat of filling in the gas and in the copper, K, and s in which each fades; the pipe follows the air, and the sun warms it. */
const HEAT = { gasK: 4, gasS: 90, copperK: 2.2, copperS: 600, pipeS: 1500, sunK: 7 };
/** m³ of hoses and gauge; Pa m³/s that walls release at first, and s until it is half. */
const RIG_M3 = 4e-4;
const WALLS = { atFirst: 6e-4, halfS: 300 };
/** kg of water, and m³/s with which it evaporates against its own pressure. */
const WATER = { kg: 0.02, conductance: 1.5e-3 };
const WATER_MOLAR_MASS = 0.018015;
const HOSE: Rig = { hose: '3/8', lengthM: 1.5, core: 'out' };
/** Pa: where the micron gauge begins to read. */
const GAUGE_FROM = 25_000 * PASCAL_PER_MICRON;
const STEP_S = 1;
const HOUR_S = 3600;
const MINUTE_S = 60;

/** A system under nitrogen or under vacuum as it really is: what a hold and a rise test are to find out. */
export class ProofScene implements Played<ProofAct> {
  private t = 0;
  private speed: Speed = 1;
  private readonly off = new Set<ProofProbe>();
  private leak: Leak;
  private airK: number;
  private pipeK: number;
  private sun = false;
  private gasHeatK = 0;
  private copperHeatK = 0;
  /** kg of nitrogen or air, while it is above a vacuum. */
  private nitrogenKg: number;
  private pump: 'on' | 'off' = 'off';
  private valve: 'open' | 'shut' = 'open';
  private evacuated = false;
  private systemPa = AIR_PA;
  private rigPa = AIR_PA;
  private waterKg: number;
  private pumpedS = 0;
  private readonly bias: { readonly head: number; readonly vacuum: number; readonly wallK: number };

  constructor(
    private readonly volumeM3: number,
    { leak, wet, ambientK }: Pick<ProofSetting, 'leak' | 'wet' | 'ambientK'>,
    private readonly noise: Noise,
  ) {
    this.leak = leak;
    this.airK = this.pipeK = ambientK;
    this.waterKg = wet ? WATER.kg : 0;
    this.nitrogenKg = this.atPressure(AIR_PA);
    this.bias = { head: 1 + 0.003 * noise.normal(), vacuum: 1 + 0.05 * noise.normal(), wallK: 0.3 * noise.normal() };
  }

  pass(seconds: number): void {
    const until = this.t + this.speed * seconds;
    while (this.t < until) {
      const step = Math.min(STEP_S, until - this.t);
      this.t += step;
      this.weather(step);
      if (this.evacuated) this.vacuum(step);
      else this.nitrogenKg *= Math.exp((-LEAKS[this.leak].perHour * step) / HOUR_S);
    }
  }

  do(entry: ProofAct): void {
    switch (entry.act) {
      case 'nitrogen':
        this.evacuated = false;
        this.pump = 'off';
        [this.gasHeatK, this.copperHeatK] = [HEAT.gasK, HEAT.copperK];
        this.nitrogenKg = this.atPressure(AIR_PA + entry.gaugePa);
        return;
      case 'vent':
        this.evacuated = false;
        this.pump = 'off';
        this.nitrogenKg = this.atPressure(AIR_PA);
        return;
      case 'pump':
        this.pump = entry.to;
        if (entry.to === 'on' && !this.evacuated) {
          this.evacuated = true;
          [this.systemPa, this.rigPa, this.pumpedS] = [AIR_PA, AIR_PA, 0];
        }
        return;
      case 'system-valve':
        this.valve = entry.to;
        if (entry.to === 'open') this.mix();
        return;
      case 'mend':
        this.leak = 'none';
        return;
      case 'sun':
        this.sun = entry.to === 'on';
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
    const head = this.evacuated ? this.systemPa : this.nitrogenPa();
    const psi = 6894.757;
    const step = 0.1 * psi;
    const read = AIR_PA + (head - AIR_PA) * this.bias.head + 0.03 * psi * this.noise.normal();
    const gauge = this.evacuated ? this.rigPa : AIR_PA;
    const all: Shown = {
      ...(this.off.has('head') ? {} : { head: Math.max(0, Math.round(read / step) * step) }),
      ...(this.off.has('wall') ? {} : { wall: this.pipeK + this.bias.wallK + 0.05 * this.noise.normal() }),
      ...(this.off.has('air') ? {} : { air: this.airK + 0.05 * this.noise.normal() }),
      ...(this.off.has('vacuum') || gauge > GAUGE_FROM ? {} : { vacuum: this.micronStep(gauge * this.bias.vacuum) }),
    };
    return arriving(all, () => this.noise.uniform());
  }

  state() {
    const { speed, t, pump, valve, leak, evacuated, waterKg, sun, airK, pipeK } = this;
    const off = [...this.off];
    const nitrogenPa = evacuated ? null : this.nitrogenPa();
    const vacuumPa = evacuated ? this.systemPa : null;
    return { kind: 'proof' as const, speed, t, pump, valve, leak, waterKg, sun, airK, pipeK, off, nitrogenPa, vacuumPa };
  }

  private micronStep(p: number): number {
    const micron = (p / PASCAL_PER_MICRON) * (1 + 0.004 * this.noise.normal());
    return Math.max(0, Math.round(micron)) * PASCAL_PER_MICRON;
  }

  private atPressure = (p: number): number => nitrogenDensity(kelvin(this.gasK()), pascal(p)) * this.volumeM3;
  private gasK = (): number => this.pipeK + this.gasHeatK;

  private nitrogenPa(): number {
    const [T, ideal] = [this.gasK(), (this.nitrogenKg * GAS_CONSTANT * this.gasK()) / (NITROGEN_MOLAR_MASS * this.volumeM3)];
    let p = ideal;
    for (let k = 0; k < 6; k++) p = ideal * compressibility(kelvin(T), pascal(p));
    return p;
  }

  private weather(step: number): void {
    const fade = (value: number, seconds: number) => value * Math.exp(-step / seconds);
    [this.gasHeatK, this.copperHeatK] = [fade(this.gasHeatK, HEAT.gasS), fade(this.copperHeatK, HEAT.copperS)];
    this.airK += 0.004 * Math.sqrt(step) * this.noise.normal();
    const towards = this.airK + this.copperHeatK + (this.sun ? HEAT.sunK : 0);
    this.pipeK += (towards - this.pipeK) * (1 - Math.exp(-step / HEAT.pipeS));
  }

  private vacuum(step: number): void {
    if (this.pump === 'on') this.pumpedS += step;
    const perMinute = (PASCAL_PER_MICRON * (this.volumeM3 + RIG_M3)) / MINUTE_S;
    const { system, rig } = LEAKS[this.leak];
    const walls = WALLS.atFirst / (1 + this.pumpedS / WALLS.halfS);
    const water = this.waterFlow();
    this.waterKg = Math.max(0, this.waterKg - (water * step * WATER_MOLAR_MASS) / (GAS_CONSTANT * this.pipeK));
    const intoSystem = walls + water + system * perMinute;
    if (this.valve === 'open') {
      this.systemPa = this.settled(this.systemPa, intoSystem + rig * perMinute, this.volumeM3 + RIG_M3, step);
      this.rigPa = this.systemPa;
      return;
    }
    this.systemPa += (intoSystem * step) / this.volumeM3;
    this.rigPa = this.pump === 'on' ? 4 * PASCAL_PER_MICRON : this.rigPa + (rig * perMinute * step) / RIG_M3;
  }

  /** What the pump and a steady inflow make of a pressure within a step. */
  private settled(p: number, inflow: number, volume: number, step: number): number {
    const S = this.pump === 'on' ? speedAtSystem(HOSE, p, this.pipeK) : 0;
    if (S <= 0) return Math.min(AIR_PA, p + (inflow * step) / volume);
    const end = inflow / S;
    return end + (p - end) * Math.exp((-S * step) / volume);
  }

  private waterFlow(): number {
    return this.waterKg <= 0 ? 0 : Math.max(0, WATER.conductance * (waterVapourPressure(this.pipeK) - this.systemPa));
  }

  /** Both volumes become one. */
  private mix(): void {
    const whole = this.volumeM3 + RIG_M3;
    this.systemPa = this.rigPa = (this.systemPa * this.volumeM3 + this.rigPa * RIG_M3) / whole;
  }
}
