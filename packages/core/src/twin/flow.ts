import type { FluidTable } from './fluid-table';
import { dewDensity, enrichedPhases, type VolumeState } from './volume-state';

/** What enters a line: by a low port liquid as long as there is some, by a high one vapour as long as there is room. */
export type Port = 'low' | 'high';

/** What leaves a volume by a port: density, enthalpy, share of vapour by mass. */
export interface Leaving {
  readonly rho: number;
  readonly h: number;
  readonly quality: number;
  /** Of the omega method: how its volume grows as the pressure falls. */
  readonly omega: number;
  /** Pressure at which it begins to boil, over the pressure it stands at. */
  readonly etaBoil: number;
  /** How far it is from the blend as charged (see `Glide`). */
  readonly enriched: number;
  /** kg of air for a kilogram of it. */
  readonly air: number;
}

/** What its flow through a line hangs on. */
export type Expanding = Pick<Leaving, 'rho' | 'omega' | 'etaBoil'>;

/** A smooth step from 0 to 1 between two values. */
function smooth(x: number, from: number, to: number): number {
  const t = Math.min(1, Math.max(0, (x - from) / (to - from)));
  return t * t * (3 - 2 * t);
}

/** Share of the volume with liquid below which a low port draws vapour as well, and above which a high one draws liquid. */
const LOW_DRAWS = [0.005, 0.03] as const;
const HIGH_DRAWS = [0.93, 0.98] as const;
export const SUPERHEATED_OMEGA = 0.9;

/** What leaves by a port here and now. */
export function leaving(table: FluidTable, state: VolumeState, port: Port): Leaving {
  const { T, p, pAir, phase, liquidShare, rho, enriched, airInVapour } = state;
  if (phase === 'vapour')
    return {
      rho,
      h: vapourEnthalpy(table, state),
      quality: 1,
      omega: SUPERHEATED_OMEGA,
      etaBoil: 1,
      enriched,
      air: airInVapour,
    };
  const byLiquid = port === 'low' ? smooth(liquidShare, ...LOW_DRAWS) : smooth(liquidShare, ...HIGH_DRAWS);
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), dewDensity(table, T, enriched)];
  const quality = 1 - byLiquid;
  const v = quality / rhoV + (1 - quality) / rhoL;
  const h = quality * table.hVapour.at(T) + (1 - quality) * table.hLiquid.at(T);
  const hfg = table.hVapour.at(T) - table.hLiquid.at(T);
  const vfg = 1 / rhoV - 1 / rhoL;
  const pSat = Math.min(p - pAir, (table.glide?.bubble(T, enriched) ?? 1) * table.pBubble.at(T));
  // Leung 1986, from memory
  const omega = ((quality * vfg) / v) * (1 - (2 * pSat * vfg) / hfg) + ((table.cpLiquid.at(T) * T * pSat) / v) * (vfg / hfg) ** 2;
  return {
    rho: 1 / v,
    h,
    quality,
    omega: Math.max(0.05, omega),
    etaBoil: Math.min(1, pSat / p),
    enriched: drawnOff(table, state, quality, rhoV),
    air: quality * airInVapour,
  };
}

/** How far what leaves is enriched: its vapor more than its liquid. @param quality of what leaves */
function drawnOff({ glide }: FluidTable, { T, rho, liquidShare, enriched }: VolumeState, quality: number, rhoV: number): number {
  if (glide === undefined) return enriched;
  const inside = Math.min(1, ((1 - liquidShare) * rhoV) / rho);
  const { liquid, vapour } = enrichedPhases(glide, T, inside, enriched);
  return (1 - quality) * liquid + quality * vapour;
}

const vapourEnthalpy = (table: FluidTable, { T, rho, p, pAir, enriched }: VolumeState): number => {
  const rhoV = dewDensity(table, T, enriched);
  const ideal = table.uIdeal.at(T);
  return ideal + (rho / rhoV) * (table.uVapour.at(T) - ideal) + (p - pAir) / rho;
};

/** A line from one volume to another: an area and the losses of its length, in velocity heads. */
export interface Line {
  /** m² */
  readonly area: number;
  readonly loss: number;
}

/** Integral of v0/v over the pressure ratio, from eta to 1, in closed form. */
function integral(eta: number, omega: number, etaBoil: number): number {
  if (eta >= etaBoil) return 1 - eta;
  const boiling = (x: number) => {
    if (Math.abs(1 - omega) < 1e-4) return (x * x) / (2 * omega * etaBoil);
    const slope = 1 - omega;
    return x / slope - ((omega * etaBoil) / (slope * slope)) * Math.log(slope * x + omega * etaBoil);
  };
  return 1 - etaBoil + boiling(etaBoil) - boiling(eta);
}

/** v over v0 of what began to boil at `etaBoil`, at a share of the pressure upstream. */
export const volumeRatio = (eta: number, omega: number, etaBoil: number): number => (eta >= etaBoil ? 1 : 1 + omega * (etaBoil / eta - 1));

/**
 * A line with what enters it, by the homogeneous equilibrium of the omega method, friction and acceleration together, choked where more
 * difference of pressure gives no more. Sources: Leung 1986, Leung and Grolmes 1988, Leung and Ciolek 1994, from memory.
 *
 * In one step it is asked for dozens of pressures downstream: where it chokes does not depend on them, and is found once, if at all.
 */
export class Passage {
  private throat: Peak | undefined;

  /** @param loss of its length, in velocity heads */
  constructor(
    private readonly out: Expanding,
    private readonly loss: number,
  ) {}

  /** kg/(m² s). @param p0 upstream, @param p1 downstream, Pa */
  flux(p0: number, p1: number): number {
    const eta = Math.max(LEAST_ETA, p1 / p0);
    return eta >= 1 ? 0 : Math.sqrt(Math.max(0, p0 * this.out.rho * this.most(eta)));
  }

  /** Of the square of the flux, over pressure and density upstream, the highest down to this share of the pressure. */
  private most(eta: number): number {
    if (this.throat !== undefined && eta <= this.throat.at) return this.throat.value;
    const here = this.squared(eta);
    if (this.throat !== undefined || this.squared(eta + CHOKE_STEP * (1 - eta)) <= here) return here;
    this.throat = peakOf((value) => this.squared(value), LEAST_ETA, 1);
    return eta <= this.throat.at ? this.throat.value : here;
  }

  private squared(eta: number): number {
    const { omega, etaBoil } = this.out;
    return integral(eta, omega, etaBoil) / (this.loss / 2 + Math.log(volumeRatio(eta, omega, etaBoil)) + 0.5);
  }
}

/** kg/(m² s) through a line at one pressure downstream. @param p0 upstream, @param p1 downstream, Pa */
export const massFlux = (out: Expanding, p0: number, p1: number, loss: number): number => new Passage(out, loss).flux(p0, p1);

const LEAST_ETA = 1e-3;
const CHOKE_STEP = 0.02;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const PEAK_WITHIN = 5e-4;

interface Peak {
  readonly at: number;
  readonly value: number;
}

/** The highest value between two ends, where there is one hill: golden section. */
function peakOf(of: (x: number) => number, from: number, to: number): Peak {
  let [low, high] = [from, to];
  let [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [atA, atB] = [of(a), of(b)];
  while (high - low > PEAK_WITHIN) {
    if (atA > atB) {
      [high, b, atB] = [b, a, atA];
      a = high - GOLDEN * (high - low);
      atA = of(a);
    } else {
      [low, a, atA] = [a, b, atB];
      b = low + GOLDEN * (high - low);
      atB = of(b);
    }
  }
  return atA > atB ? { at: a, value: atA } : { at: b, value: atB };
}
