import { kelvin, pascal } from '../src/units/quantity';
import { compressibility } from '../src/proof/nitrogen';
import { PASCAL_PER_PSI, type HoldMeta, type HoldReadings } from '../src/proof/trace';

/** Mulberry32: numbers that are the same on every machine. */
export function randomOf(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
export const normalOf = (random: () => number) => () => Math.sqrt(-2 * Math.log(random() || 1e-12)) * Math.cos(2 * Math.PI * random());

export interface SimulatedHold {
  readonly meta: HoldMeta;
  readonly readings: HoldReadings;
  /** Share of the nitrogen lost in an hour at the start. */
  readonly lossPerHour: number;
}

interface Wanted {
  readonly long: boolean;
  /** Share an hour; nothing where it is tight. */
  readonly lossPerHour?: number;
}

/**
 * A hold by a heat balance of gas, copper and clamp in an air that drifts, with sun on a part of it: another structure than the estimator's
 * columns. Oil takes nitrogen up by diffusion into a pool, computed in layers; refrigerant comes out of it; the gauge rounds, drifts and has
 * a wrong gain. All of it invented.
 */
export function simulateHold(seed: number, { long, lossPerHour = 0 }: Wanted): SimulatedHold {
  const random = randomOf(seed);
  const normal = normalOf(random);
  const pick = <T>(values: readonly T[]): T => values[Math.floor(random() * values.length)]!;
  const volume = pick([3, 10, 10, 30]) * 1e-3;
  const setPsig = pick([150, 250, 300, 400, 500]);
  const barometerPa = pick([101325, 101325, 84000]);
  const clamped = random() < 0.7;
  const resolution = pick([0.1, 0.1, 0.5, 1]);
  const span = pick([500, 800]);
  const wait = random() < 0.25 ? 20 : 200 + random() * 1400;
  const oilLiter = random() < 0.4 ? random() * 1000 * volume * 0.1 : 0;
  const creepPsi = random() < 0.2 ? random() * 5 : 0;
  const startHour = long ? 14 + random() * 6 : 7 + random() * 11;
  const duration = long ? pick([16, 24, 60]) * 3600 : pick([900, 1200, 1800, 3600]);
  const dt = long ? 20 : 2;
  const every = long ? Math.max(60, duration / 400) : pick([5, 10, 30]);

  const mean = 278 + random() * 28;
  const swing = long ? 2 + random() * 5 : 0;
  const drift = (long ? 0.3 : 1.5) * normal(); // K an hour
  const sunK = random() < 0.5 ? random() * 5 : 0; // on the copper, at noon
  const copperTau = 500 + random() * 1800;
  const clampShare = 0.85 + random() * 0.15;
  const clampTau = 15 + random() * 60;
  const gasTau = 20 + random() * 60;
  const hot = (setPsig / 400) * (1 + random() * 2.5); // K of the copper right after filling
  const gasHot = (setPsig / 400) * (1 + random() * 5);
  const gain = 1 + 0.005 * normal();
  const driftPsiPerHour = (long ? 1e-5 : 6e-5) * span * normal();
  const airNoise = 0.05;
  const laminar = random() < 0.5;

  const hourAt = (s: number) => startHour + s / 3600;
  const sunAt = (s: number) => sunK * Math.max(0, Math.sin((Math.PI * ((hourAt(s) % 24) - 6)) / 12));
  let gust = 0;
  const layers = new Float64Array(24); // share of saturation, from the surface down
  const layerTime = 400 + random() * 3000; // s to pass one layer
  let n = 1;
  let copper = mean + hot;
  let gas = copper + gasHot;
  let clamp = copper;
  let taken = 0;
  const first = { gas: 0 };
  const out = { timeS: [] as number[], pressurePsig: [] as number[], airC: [] as number[], pipeC: [] as number[] };
  const startPa = barometerPa + setPsig * PASCAL_PER_PSI;
  let amount = 0; // p V = n Z R T, in units of the start
  let next = 0;
  for (let s = -wait; s <= duration + 1e-6; s += dt) {
    gust = gust * Math.exp(-dt / 1200) + 0.25 * Math.sqrt(1 - Math.exp((-2 * dt) / 1200)) * normal();
    const air = mean + drift * (s / 3600) * (long ? 0.1 : 1) + swing * Math.sin((2 * Math.PI * (hourAt(s) - 9)) / 24) + gust;
    copper += ((air + sunAt(s) - copper) * dt) / copperTau;
    gas += ((copper - gas) * dt) / gasTau;
    clamp += ((clampShare * copper + (1 - clampShare) * air - clamp) * dt) / clampTau;
    if (s < -dt / 2) {
      if (oilLiter > 0) diffuse(layers, dt / layerTime);
      continue;
    }
    if (amount === 0) {
      first.gas = gas;
      amount = startPa / (compressibility(kelvin(gas), pascal(startPa)) * gas);
      taken = sum(layers);
    }
    if (oilLiter > 0) diffuse(layers, dt / layerTime);
    n -= (dt / 3600) * lossPerHour * (laminar ? n * n : n);
    const inOil = oilLiter > 0 ? (0.08 * oilLiter * 1e-3 * (sum(layers) - taken)) / layers.length / volume : 0;
    const left = n - inOil;
    let p = startPa * (gas / first.gas) * left;
    for (let k = 0; k < 3; k++) p = amount * left * compressibility(kelvin(gas), pascal(p)) * gas;
    if (s >= next - 1e-6) {
      const creep = creepPsi * (1 - Math.exp(-s / 2400));
      const psig = ((p - barometerPa) / PASCAL_PER_PSI + creep) * gain + driftPsiPerHour * (s / 3600) + 0.02 * normal();
      out.timeS.push(Math.round(s));
      out.pressurePsig.push(Math.round(psig / resolution) * resolution);
      out.airC.push(round2(air - 273.15 + airNoise * normal()));
      out.pipeC.push(round2(clamp - 273.15 + 0.02 * normal()));
      next += every;
    }
  }
  return {
    lossPerHour,
    readings: { timeS: out.timeS, pressurePsig: out.pressurePsig, airC: out.airC, ...(clamped ? { pipeC: out.pipeC } : {}) },
    meta: {
      volumeLiter: volume * 1000 * (1 + 0.12 * normal()),
      volumeKnownTo: 0.12,
      setPressurePsig: setPsig,
      barometerPa,
      gaugeResolutionPsi: resolution,
      gaugeSpanPsi: span,
      gaugeAccuracyShare: 0.005,
      secondsSinceFilling: Math.round(wait),
      thermometers: clamped ? ['air', 'pipe'] : ['air'],
      startHour,
      oilLiter: round2(oilLiter),
      refrigerantMayRemain: creepPsi > 0,
    },
  };
}

/** Nitrogen moves down a pool whose surface is saturated. */
function diffuse(layers: Float64Array, share: number): void {
  const steps = Math.ceil(share / 0.4);
  for (let step = 0; step < steps; step++) {
    let above = 1;
    for (let k = 0; k < layers.length; k++) {
      const value = layers[k]!;
      const below = k + 1 < layers.length ? layers[k + 1]! : value;
      layers[k] = value + (share / steps) * (above - 2 * value + below);
      above = value;
    }
  }
}

const sum = (values: Float64Array) => values.reduce((total, value) => total + value, 0);
const round2 = (value: number) => Math.round(value * 100) / 100;
