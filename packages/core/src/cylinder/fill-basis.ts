import type { Composition } from '../fluids/composition';
import { estimateMargin } from '../fluids/estimate-margin';
import { endOfLine } from '../thermo/end-of-line';
import { highestPressure } from '../thermo/equation-limits';
import type { Density, Kelvin, Pascal } from '../units/quantity';
import { density, type CubicMetre } from '../units/quantity';
import { temperatureIn } from '../units/temperature';
import { volumeIn } from '../units/volume';
import { densestAt } from './high-pressure-gas';
import { saturatedLiquid } from './saturated-liquid';

/** One way to compute a limit: net mass = share × volume × density. */
export interface Basis {
  readonly what: string;
  readonly share: number;
  /** kg/m³; lowered already by what a pair that nobody has published leaves open. */
  readonly density: Density;
  /** Temperature of the density; a tabulated figure has none. */
  readonly T?: Kelvin;
  /** Where a pressure limits the filling, Pa absolute. */
  readonly p?: Pascal;
  /** kg */
  readonly net: number;
  readonly formula: string;
}

/** A share of the volume filled with liquid at T; none where this refrigerant has no liquid at T. */
export function liquidBasis(composition: Composition, volume: CubicMetre, share: number, T: Kelvin): Basis[] {
  const rho = saturatedLiquid(composition, T)?.rho;
  return rho === undefined ? [] : [basis(composition, volume, { what: `${percent(share)} liquid at ${degrees(T)}`, share, rho, T })];
}

/** What the liquid fills at the very end of its boiling line: no warmer liquid is lighter. */
export function endBasis(composition: Composition, volume: CubicMetre, share: number): Basis {
  const { T, rho } = endOfLine(composition);
  return basis(composition, volume, { what: `${percent(share)} liquid at ${degrees(T)}, the last there is`, share, rho, T });
}

/**
 * The densest filling whose pressure at T stays within `p`, absolute. A cylinder may bear more than the equations were published for:
 * then their end is the limit, and the filling is a lighter one.
 * @throws OutOfRange, NoConvergence
 */
export function pressureBasis(composition: Composition, volume: CubicMetre, T: Kelvin, p: Pascal): Basis {
  const end = highestPressure(composition);
  const within = (p / estimateMargin(composition).pressureFactor) as Pascal; // a smaller pressure is one too
  const rho = densestAt(composition, T, within > end ? end : within);
  const what = within > end ? `${bar(end)}, the end of its equation, at ${degrees(T)}` : `pressure within ${bar(p)} at ${degrees(T)}`;
  return { ...basis(composition, volume, { what, share: 1, rho, T }), p };
}

/** A figure of a table, kg/m³. */
export const tableBasis = (volume: CubicMetre, rho: Density, what: string): Basis => ({
  what,
  share: 1,
  density: rho,
  net: volume * rho,
  formula: formulaOf(1, volume, rho),
});

function basis(
  composition: Composition,
  volume: CubicMetre,
  { what, share, rho: computed, T }: { what: string; share: number; rho: Density; T: Kelvin },
): Basis {
  const rho = density(computed * estimateMargin(composition).densityFactor);
  return { what, share, density: rho, T, net: share * volume * rho, formula: formulaOf(share, volume, rho) };
}

const percent = (share: number) => `${Math.round(share * 100)} %`;
const degrees = (T: Kelvin) => `${Math.round(temperatureIn(T, 'C'))} °C`;
const bar = (p: Pascal) => `${(p / 1e5).toFixed(1)} bar`;
const formulaOf = (share: number, volume: CubicMetre, rho: Density) =>
  `${share === 1 ? '' : `${share.toFixed(2)} × `}${volumeIn(volume, 'L').toFixed(2)} L × ${rho.toFixed(0)} kg/m³`;
