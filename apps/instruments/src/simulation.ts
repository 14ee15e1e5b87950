import { cylinder } from '@hygromet/contract/cylinder';
import { system } from '@hygromet/contract/system';
import * as z from 'zod';
import type { Gateway } from './gateway';
import { Noise } from './noise';
import type { Played } from './played';
import { ProofScene, type ProofAct, type ProofSetting } from './proof-scene';
import { RunningScene, type RunAct, type RunSetting } from './running-scene';
import { Scene, type Act } from './scene';
import { factsOf, identifierPack, packOf, type Pace } from './senml-pack';
import { hiddenTruth, type SceneSetting } from './truth';

/** ms between readings. */
export const EVERY_MS = 500;
const FACTS_EVERY = 20;
/** L of a system for a kilogram of its charge: usual sizes (common practice). */
const VOLUME_PER_KG = 2.55e-3;
/** Per cent of a battery that an hour takes. */
const BATTERY_PER_HOUR = 4;

/** The scene that is set, read twice a second and passed on. */
export class Simulation {
  private scene: Scene | ProofScene | RunningScene | undefined;
  private setting: SceneSetting | ProofSetting | RunSetting | undefined;
  private readonly startedAt = Date.now();
  private paceSince = Date.now() / 1000;
  private ticks = 0;
  private last = Date.now();

  constructor(
    private readonly server: string,
    private readonly gateway: Gateway,
    private seed: number,
  ) {}

  /** Cylinder on the scale, hoses to the system, valve shut. */
  async set(setting: SceneSetting): Promise<void> {
    const [ownSystem, ownCylinder] = await Promise.all([
      this.ask(`/api/systems/${setting.system}`, system),
      this.ask(`/api/cylinders/${setting.cylinder}`, cylinder),
    ]);
    const noise = new Noise(this.seed++);
    this.scene = new Scene(hiddenTruth(setting, ownSystem, ownCylinder, noise), noise);
    this.setting = setting;
    this.ticks = 0;
  }

  /** Instruments on a system that is to be tested, open to the air. */
  async prove(setting: ProofSetting): Promise<void> {
    const { nameplateKg } = await this.ask(`/api/systems/${setting.system}`, system);
    this.scene = new ProofScene(VOLUME_PER_KG * nameplateKg, setting, new Noise(this.seed++));
    this.setting = setting;
    this.ticks = 0;
  }

  /** Instruments on a unit that stands, beside it the cylinder that it is charged from. */
  async run(setting: RunSetting): Promise<void> {
    const [ownSystem, ownCylinder] = await Promise.all([
      this.ask(`/api/systems/${setting.system}`, system),
      this.ask(`/api/cylinders/${setting.cylinder}`, cylinder),
    ]);
    this.scene = new RunningScene(ownSystem, ownCylinder, setting, new Noise(this.seed++));
    this.setting = setting;
    this.ticks = 0;
  }

  /** A sample of what is really in it; nothing where the scene has no refrigerant to sample. */
  identify(): void {
    if (!(this.scene instanceof Scene)) return;
    const { refrigerant, airPercent } = this.scene.sample();
    this.gateway.send(identifierPack(refrigerant, airPercent, Date.now() / 1000));
  }

  /** What cannot be done in this scene is not done. */
  do(act: Act | ProofAct | RunAct): void {
    (this.scene as Played<Act | ProofAct | RunAct> | undefined)?.do(act);
    // another speed is told at once
    if (act.act !== 'speed') return;
    this.paceSince = Date.now() / 1000;
    this.ticks = 0;
  }

  /** What there is to set up a scene with. */
  async offers() {
    const [systems, cylinders] = await Promise.all([
      this.ask('/api/systems', z.array(system)),
      this.ask('/api/cylinders', z.array(cylinder)),
    ]);
    return {
      systems: systems.map(({ id, site, name, refrigerant, nameplateKg }) => ({
        id,
        title: `${site}, ${name} (${refrigerant}, ${nameplateKg.toFixed(1)} kg)`,
      })),
      cylinders: cylinders.map(({ id, name, refrigerant, contentKg }) => ({
        id,
        title: `${name}, ${refrigerant ?? 'unlabeled'}, ${contentKg.toFixed(1)} kg in it`,
      })),
    };
  }

  state() {
    return { setting: this.setting, waiting: this.gateway.waiting, scene: this.scene?.state() };
  }

  tick(): void {
    const now = Date.now();
    const passed = Math.min(5, (now - this.last) / 1000);
    this.last = now;
    if (this.scene === undefined) return;
    this.scene.pass(passed);
    const battery = Math.max(5, 96 - (BATTERY_PER_HOUR * (now - this.startedAt)) / 3_600_000);
    const shown = this.scene.shown();
    const facts = this.ticks++ % FACTS_EVERY === 0 ? factsOf(shown, this.pace(), battery, now / 1000) : [];
    const pack = packOf(shown, now / 1000);
    // names of readings are whole: a base name before them would be put in front
    if (pack.length > 0) this.gateway.send(pack);
    if (facts.length > 0) this.gateway.send(facts);
  }

  private pace = (): Pace => ({ speed: this.scene?.state().speed ?? 1, since: this.paceSince });

  private async ask<T>(path: string, schema: z.ZodType<T>): Promise<T> {
    const response = await fetch(this.server + path, { signal: AbortSignal.timeout(10_000) });
    if (!response.ok) throw new Error(`${path} answers ${response.status}`);
    return schema.parse(await response.json());
  }
}
