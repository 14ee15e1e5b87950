import { designationOf } from '@hygromet/core/fluids/refrigerant';
import type { CylinderCooling, Scenario } from '@hygromet/core/twin/scenario';
import { shareOfAir } from '@hygromet/core/twin/air';
import { machineDeed, type MachineState } from '@hygromet/core/twin/machine-state';
import { TransferRun } from '@hygromet/core/twin/transfer-run';
import type { Noise } from './noise';
import { arriving, type Played, type Shown, type Speed } from './played';

export const probes = ['suction', 'head', 'wall'] as const;
export type Probe = (typeof probes)[number];

/** What a person can do in the scene. */
export type Act =
  | { readonly act: 'valve'; readonly to: 'open' | 'shut' }
  | { readonly act: 'machine'; readonly to: MachineState }
  | { readonly act: 'cooling'; readonly to: CylinderCooling }
  | { readonly act: 'probe'; readonly probe: Probe; readonly to: 'on' | 'off' }
  | { readonly act: 'kick' }
  | { readonly act: 'zero'; readonly kg: number }
  | { readonly act: 'speed'; readonly to: Speed };

const AIR_PA = 101_325;
/** kg, and seconds until a kicked scale rests again. */
const KICK = { kg: 1.2, restS: 3 };
/** kg: what the display of a field scale shows. */
const SCALE_STEP = 0.005;
const AT_ONCE = 2e4;

/** System, machine, hoses and cylinder as they really are, and what instruments make of them. Its seconds pass `speed` times as fast as ours. */
export class Scene implements Played<Act> {
  private readonly run: TransferRun;
  private t = 0;
  private speed: Speed = 1;
  private readonly off = new Set<Probe>();
  private zeroKg = 0;
  private kickedAt = Number.NEGATIVE_INFINITY;
  private valve: 'open' | 'shut' = 'shut';
  private machine: MachineState = 'on';
  private cooling: CylinderCooling;
  /** Each probe is a little off, and stays so. */
  private readonly bias: { readonly suction: number; readonly head: number; readonly wall: number };

  constructor(
    private readonly truth: Scenario,
    private readonly noise: Noise,
  ) {
    this.run = new TransferRun(truth, 60);
    this.cooling = truth.cylinder.cooling;
    this.bias = { suction: 1 + 0.005 * noise.normal(), head: 1 + 0.005 * noise.normal(), wall: 0.5 * noise.normal() };
  }

  pass(seconds: number): void {
    this.t += this.speed * seconds;
    for (let k = 0; k < AT_ONCE && !this.run.over && this.run.time < this.t; k++) this.run.advance();
  }

  do(entry: Act): void {
    const at = Math.max(this.t, this.run.time);
    switch (entry.act) {
      case 'valve':
        this.valve = entry.to;
        this.run.do({ at, valve: entry.to });
        return;
      case 'machine':
        this.machine = entry.to;
        this.run.do(machineDeed(at, entry.to));
        return;
      case 'cooling':
        this.cooling = entry.to;
        this.run.do({ at, cooling: entry.to });
        return;
      case 'probe':
        if (entry.to === 'off') this.off.add(entry.probe);
        else this.off.delete(entry.probe);
        return;
      case 'kick':
        this.kickedAt = this.t;
        return;
      case 'zero':
        this.zeroKg = entry.kg;
        return;
      case 'speed':
        this.speed = entry.to;
        return;
      default:
        return entry satisfies never;
    }
  }

  shown(): Shown {
    const { grossKg, suctionPa, headPa, cylinderK } = this.run.now;
    const since = (this.t - this.kickedAt) / this.speed;
    const kicked = since < KICK.restS ? KICK.kg * Math.sin(5 * since) * (1 - since / KICK.restS) : 0;
    const pressure = (probe: 'suction' | 'head', p: number) =>
      this.off.has(probe) ? AIR_PA : Math.max(0, AIR_PA + (p - AIR_PA) * this.bias[probe] + 1500 * this.noise.normal());
    const all: Shown = {
      gross: Math.round((grossKg + this.zeroKg + kicked + 0.004 * this.noise.normal()) / SCALE_STEP) * SCALE_STEP,
      suction: pressure('suction', suctionPa),
      head: pressure('head', headPa),
      ...(this.off.has('wall') ? {} : { wall: cylinderK + this.bias.wall + 0.2 * this.noise.normal() }),
    };
    return arriving(all, () => this.noise.uniform());
  }

  state() {
    const { valve, machine, cooling, speed, t } = this;
    const { grossKg, suctionPa, headPa, cylinderK, systemKg } = this.run.now;
    return {
      kind: 'transfer' as const,
      valve,
      machine,
      cooling,
      speed,
      t,
      off: [...this.off],
      zeroKg: this.zeroKg,
      grossKg,
      suctionPa,
      headPa,
      cylinderK,
      systemKg,
      events: this.run.result().events,
    };
  }

  /** What an identifier tells of what is really connected. */
  sample(): { readonly refrigerant: string; readonly airPercent: number } {
    const { composition, system } = this.truth;
    const parts = Object.entries(composition).map(([name, share]) => `${name} ${Math.round(100 * share)} %`);
    const volume = system.condenserM3 + system.evaporatorM3;
    const air = shareOfAir({ composition, volume, chargeKg: system.chargeKg }, system.airKg ?? 0);
    // a clean one reads a little as well
    return {
      refrigerant: designationOf(composition) ?? parts.join(', '),
      airPercent: 100 * air + Math.abs(0.3 + 0.1 * this.noise.normal()),
    };
  }
}
