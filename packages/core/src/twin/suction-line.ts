import { leaving, Passage, SUPERHEATED_OMEGA, volumeRatio, type Leaving } from './flow';
import type { FluidTable } from './fluid-table';
import type { LinkFlow, Machine } from './link';
import { nudge, piped, pumped } from './piped-and-pumped';
import { dewDensity, type VolumeState } from './volume-state';

/** Nothing is drawn deeper than this, Pa. */
const LEAST_PA = 20;
const MOST_TRIES = 60;

/**
 * What passes a machine with its hoses. The suction pressure is found where the hoses bring what the pump draws: the more it falls, the more
 * they bring and the less it draws, so that there is one.
 */
export function suctionLine(table: FluidTable, link: Machine, states: readonly VolumeState[], guess: number | undefined): LinkFlow {
  const manifold = new Manifold(table, link, states);
  const { p, brought } = manifold;
  const size = p.length;
  const last = size - 1;
  let most = 0;
  for (let i = 0; i < last; i++) most = Math.max(most, p[i]!);
  const ps = meeting((value) => manifold.off(value), most, guess);
  const d = nudge(ps);
  const offLow = manifold.off(ps - d / 2);
  const bySuction = Float64Array.from(brought, (value) => -value / d);
  const offHigh = manifold.off(ps + d / 2);
  for (let i = 0; i < last; i++) bySuction[i]! += brought[i]! / d;
  const offBySuction = Math.min(-1e-12, (offHigh - offLow) / d);
  const off = manifold.off(ps);
  const here = Float64Array.from(brought);
  const [work, mixed] = [manifold.work, { h: manifold.h, ...together(manifold.sources, here) }];
  const mass = new Float64Array(size);
  for (let i = 0; i < last; i++) {
    mass[i] = -here[i]!;
    mass[last]! += here[i]!;
  }
  const slopes = new Float64Array(size * size);
  for (let j = 0; j < size; j++) {
    const [own, move] = [p[j]!, nudge(p[j]!)];
    p[j] = own + move;
    // with this pressure the suction moves along, until the hoses bring again what is drawn
    const suctionBy = -(manifold.off(ps) - off) / move / offBySuction;
    p[j] = own;
    for (let i = 0; i < last; i++) {
      const follows = (brought[i]! - here[i]!) / move + bySuction[i]! * suctionBy;
      slopes[i * size + j] = -follows;
      slopes[last * size + j]! += follows;
    }
  }
  const passing = manifold.sources.map((source, i) => (here[i]! < 0 ? mixed : source));
  return { ends: [...link.hoses.map(({ node }) => node), link.to], mass, slopes, passing, work, suctionPa: ps };
}

/** What comes together from the hoses that bring something. */
function together(sources: readonly Leaving[], brought: Float64Array): Pick<Leaving, 'enriched' | 'air'> {
  let [mass, enriched, air] = [0, 0, 0];
  for (const [i, source] of sources.entries()) {
    const value = Math.max(0, brought[i]!);
    mass += value;
    enriched += value * source.enriched;
    air += value * source.air;
  }
  return mass === 0 ? sources[0]! : { enriched: enriched / mass, air: air / mass };
}

/** Where the hoses come together. Asked a dozen times in each step, it keeps its last answer in place instead of making new ones. */
class Manifold {
  /** Pa of each end, the last being where it goes to. */
  readonly p: Float64Array;
  readonly sources: readonly Leaving[];
  private readonly passages: readonly Passage[];
  private readonly vapour: Float64Array;
  /** kg/s from each hose; negative where it goes back into one. */
  readonly brought: Float64Array;
  work = 0;
  h = 0;

  constructor(
    table: FluidTable,
    private readonly link: Machine,
    states: readonly VolumeState[],
  ) {
    const { hoses, to } = link;
    this.p = Float64Array.from([...hoses.map(({ node }) => states[node]!.p), states[to]!.p]);
    this.sources = hoses.map(({ node, port }) => leaving(table, states[node]!, port));
    this.passages = this.sources.map((source, i) => new Passage(source, hoses[i]!.line.loss));
    this.vapour = Float64Array.from(hoses, ({ node }) =>
      states[node]!.phase === 'vapour' ? states[node]!.rho : dewDensity(table, states[node]!.T, states[node]!.enriched),
    );
    this.brought = new Float64Array(hoses.length);
  }

  /** kg/s that the hoses bring at this suction beyond what the pump draws. */
  off(ps: number): number {
    const { p, sources, brought, link } = this;
    const last = sources.length;
    // what comes together: throttled, each grows as the omega method says, and keeps its enthalpy
    let [mass, volume, h, vapour, sum] = [0, 0, 0, 0, 0];
    for (let i = 0; i < last; i++) {
      const out = sources[i]!;
      brought[i] = piped(this.passages[i]!, link.hoses[i]!.line.area, p[i]!, ps);
      sum += brought[i]!;
      // while nothing flows: what would come first
      const value = brought[i]! + (p[i]! >= ps ? 1e-9 : 0);
      const eta = Math.min(1, ps / p[i]!);
      const v = volumeRatio(eta, out.omega, out.etaBoil) / out.rho;
      const vVapour = volumeRatio(eta, SUPERHEATED_OMEGA, 1) / this.vapour[i]!;
      mass += value;
      volume += value * v;
      h += value * out.h;
      vapour += value * (out.quality > 0.999 ? 1 : Math.min(1, v / vVapour));
    }
    if (mass === 0) {
      // above all of them: nothing comes, and what is in the manifold is as in the first
      const out = sources[0]!;
      [mass, volume, h, vapour] = [1, 1 / out.rho, out.h, out.quality];
    }
    const mix = { rho: mass / volume, h: h / mass, quality: vapour / mass, omega: SUPERHEATED_OMEGA, etaBoil: 1 };
    for (let i = 0; i < last; i++) {
      if (p[i]! >= ps) continue;
      const { area, loss } = link.hoses[i]!.line;
      brought[i] = -piped(new Passage(mix, loss), area, ps, p[i]!);
      sum += brought[i]!;
    }
    const { mass: drawn, work } = pumped(link.pump, mix, ps, p[last]!);
    this.work = work;
    this.h = mix.h;
    return sum - drawn;
  }
}

/** The pressure below `most` at which `off` is nothing; it falls with the pressure. By secants that stay between bounds (Illinois). */
function meeting(off: (p: number) => number, most: number, guess: number | undefined): number {
  let [low, high] = [LEAST_PA, Math.max(most, 2 * LEAST_PA)];
  let [atLow, atHigh] = [off(low), off(high)];
  if (atLow <= 0) return low;
  if (atHigh >= 0) return high;
  const near = guess !== undefined && guess > 1.05 * low && guess < 0.999 * high ? guess : undefined;
  if (near !== undefined)
    for (const p of [0.98 * near, Math.min(0.9995 * high, 1.02 * near)]) {
      const value = off(p);
      if (value > 0) [low, atLow] = [p, value];
      else {
        [high, atHigh] = [p, value];
        break;
      }
    }
  let side = 0;
  for (let k = 0; k < MOST_TRIES && high - low > 1e-7 * high; k++) {
    const p = (low * atHigh - high * atLow) / (atHigh - atLow);
    const inside = p > low && p < high ? p : (low + high) / 2;
    const value = off(inside);
    if (Math.abs(value) < 1e-12) return inside;
    if (value > 0) {
      [low, atLow] = [inside, value];
      if (side === 1) atHigh /= 2;
      side = 1;
    } else {
      [high, atHigh] = [inside, value];
      if (side === -1) atLow /= 2;
      side = -1;
    }
  }
  return (low + high) / 2;
}
