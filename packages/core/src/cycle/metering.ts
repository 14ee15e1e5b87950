import data from './cycle-parameters.json';
import { softMost, softPlus } from './smooth';
import type { Unit } from './unit';

interface Before {
  readonly upstream: number;
  readonly downstream: number;
  readonly liquidH: number;
  readonly liquidK: number;
  /** K at the bulb. */
  readonly coilSuperheat: number;
  /** Times the area. */
  readonly area: number;
}

/** kg/s through the metering device, and K at its inlet. */
export function flowThrough(unit: Unit, before: Before): { readonly flow: number; readonly inletK: number } {
  const { upstream, downstream, area } = before;
  const { rho, inletK, bubble } = inletOf(unit, before);
  if (unit.plate.metering === 'orifice') {
    const behind = Math.max(downstream, unit.orificeC * bubble);
    const drop = softPlus(upstream - behind, 0.01 * upstream);
    return { flow: area * unit.meteringArea * Math.sqrt(2 * rho * drop), inletK };
  }
  const drop = softPlus(upstream - downstream, 0.01 * upstream);
  return { flow: area * unit.meteringArea * opening(unit, before.coilSuperheat) * Math.sqrt(2 * rho * drop), inletK };
}

/** Of a valve, over that of the rating: it opens with the superheat at its bulb, to its end. */
export function opening({ plate, valveSuperheat, guesses }: Unit, superheat: number): number {
  const [closed, most] =
    plate.metering === 'eev' ? [valveSuperheat - data.eev.bandK, data.eev.most] : [guesses.txvStaticK, guesses.txvMost];
  const raw = (superheat - closed) / Math.max(0.5, valveSuperheat - closed);
  return softMost(softPlus(raw, 0.03) + 0.002, most, 0.03);
}

/** Density of what comes to it, flashed where its pressure is below that of its bubble point. */
export function inletOf({ table }: Unit, { upstream, liquidH, liquidK }: Pick<Before, 'upstream' | 'liquidH' | 'liquidK'>) {
  const liquid = table.liquid(liquidK);
  const at = table.saturation(upstream);
  const quality = softPlus((liquidH - at.hl) / (at.hv - at.hl), 0.002);
  const rho = 1 / (quality / at.rv + (1 - quality) / Math.min(liquid.rho, 1.02 * at.rl));
  return { rho, inletK: Math.min(liquidK, at.Tb + quality * (at.Td - at.Tb)), bubble: Math.min(liquid.p, upstream) };
}
