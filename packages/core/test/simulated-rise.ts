import type { RiseMeta, RisePhase } from '../src/proof/rise';
import { PASCAL_PER_MICRON, waterVapourPressure } from '../src/proof/water';
import { normalOf, randomOf } from './simulated-hold';

export interface SimulatedRise {
  readonly meta: RiseMeta;
  readonly phases: readonly RisePhase[];
  /** micron a minute by the leak alone, system and rig together. */
  readonly leakMicronPerMin: number;
  readonly where: 'system' | 'rig' | null;
}

interface Wanted {
  readonly leak: 'none' | 'system' | 'rig';
  /** micron a minute. */
  readonly rate?: number;
  readonly gas: 'none' | 'water' | 'adsorbed' | 'oil';
  readonly minutes: number;
  readonly rigPhase: boolean;
}

/**
 * A rise by balances of gas: water evaporates against its own vapour pressure from a film that cools, walls give off by the inverse of time
 * (Elovich's law), oil by diffusion out of a pool. Another structure than the estimator's laws. All of it invented.
 */
export function simulateRise(seed: number, { leak, rate = 0, gas, minutes, rigPhase }: Wanted): SimulatedRise {
  const random = randomOf(seed);
  const normal = normalOf(random);
  const volume = [3, 10, 10, 60][Math.floor(random() * 4)]!;
  const rig = 0.2 + random() * 0.5;
  const wallC = 8 + random() * 20;
  const gain = 1 + 0.1 * normal();
  const resolution = [1, 2, 5, 10][Math.floor(random() * 4)]!;
  const every = [2, 5, 10][Math.floor(random() * 3)]!;
  const full = waterVapourPressure(wallC + 273.15) / PASCAL_PER_MICRON;
  const evaporation = 1 / (200 + random() * 4000); // 1/s towards the pressure of the film
  const cooling = random() * 0.25; // share by which the film falls behind
  const elovich = 5 + random() * 60; // micron: strength of what comes off the walls
  const t0 = 20 + random() * 200;
  const oilStrength = 20 + random() * 200;
  const start = 120 + random() * 450;

  const phase = (isolated: 'pump' | 'rig', seconds: number): RisePhase => {
    const inRig = isolated === 'rig';
    const perSecond = (rate / 60) * (inRig ? (leak === 'rig' ? (volume + rig) / rig : 0) : leak === 'none' ? 0 : 1);
    let p = start * (inRig ? 0.9 : 1);
    const unequal = inRig ? 0 : 30 * random();
    const out = { timeS: [] as number[], micron: [] as number[] };
    for (let s = 0; s <= seconds; s += 1) {
      if (s % every === 0) {
        const seen = (p - unequal * Math.exp(-s / 120)) * gain * (1 + 0.006 * normal()) + 0.7 * normal();
        const step = Math.max(resolution, seen >= 10_000 ? 100 : seen >= 1000 ? 10 : resolution);
        out.timeS.push(s);
        out.micron.push(Math.max(0, Math.min(25_000, Math.round(seen / step) * step)));
      }
      p += perSecond;
      if (inRig) {
        p += 0.02 / (1 + s / 60);
        continue;
      }
      if (gas === 'water') p += Math.max(0, full * (1 - cooling * Math.exp(-s / 900)) - p) * evaporation;
      if (gas === 'adsorbed') p += elovich / (s + t0);
      if (gas === 'oil') p += oilStrength / (2 * Math.sqrt(900 * (s + 30)));
    }
    return { isolated, ...out };
  };
  return {
    meta: {
      volumeLiter: volume * (1 + 0.12 * normal()),
      rigVolumeLiter: rig * (1 + 0.1 * normal()),
      gaugeResolutionMicron: resolution,
      gaugeAccuracyShare: 0.1,
      coldestWallC: Math.round((wallC + 0.7 * normal()) * 10) / 10,
      compressorWithOil: gas === 'oil' || random() < 0.4,
    },
    phases: rigPhase ? [phase('pump', minutes * 60), phase('rig', 300)] : [phase('pump', minutes * 60)],
    leakMicronPerMin: leak === 'none' ? 0 : rate,
    where: leak === 'none' ? null : leak,
  };
}
