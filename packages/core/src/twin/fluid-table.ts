import { molarOf, type Composition } from '../fluids/composition';
import { GAS_CONSTANT } from '../proof/nitrogen';
import { caloric } from '../thermo/caloric';
import { massDensity } from '../thermo/phase';
import { bubblePoint, dewPoint, phasesOf } from '../thermo/saturation';
import { saturationTable } from '../thermo/saturation-table';
import { singlePhase } from '../thermo/single-phase';
import { byContent } from '../thermo/tables-by-content';
import { kelvin, pascal, type Kelvin } from '../units/quantity';
import { OutOfRange } from '../errors';
import { glideOf, type Glide } from './glide';

/** Values at even steps of temperature, read by cubic pieces. */
export interface Column {
  readonly at: (T: number) => number;
  readonly slope: (T: number) => number;
}

/** One composition's properties over temperature, SI, per mass: what a twin asks thousands of times. */
export interface FluidTable {
  readonly least: number;
  readonly most: number;
  readonly pBubble: Column;
  readonly pDew: Column;
  readonly rhoLiquid: Column;
  readonly rhoVapour: Column;
  readonly uLiquid: Column;
  readonly uVapour: Column;
  readonly hLiquid: Column;
  readonly hVapour: Column;
  /** Second and third coefficient of the vapour's density series, m³/kg and m⁶/kg². */
  readonly B: Column;
  readonly C: Column;
  /** Of the ideal gas, J/kg. */
  readonly uIdeal: Column;
  /** (∂p/∂T) at constant density of liquid at saturation, Pa/K. */
  readonly stiffness: Column;
  /** J/(kg K) of liquid at saturation. */
  readonly cpLiquid: Column;
  /** Specific gas constant, J/(kg K). */
  readonly R: number;
  /** Nothing for what boils off as it is. */
  readonly glide: Glide | undefined;
}

const NODES = 96;
/** Beyond this share of the critical temperature nothing is simulated: there is hardly a liquid any more. */
const MOST_OF_CRITICAL = 0.985;
const COLDEST = 190;
const THIN_SHARE = 0.2;

/** Even steps, slopes by central differences: Hermite cubics. */
function columnOf(values: Float64Array, least: number, step: number): Column {
  const last = values.length - 1;
  const slopes = values.map((_, k) =>
    k === 0 ? values[1]! - values[0]! : k === last ? values[last]! - values[last - 1]! : (values[k + 1]! - values[k - 1]!) / 2,
  );
  return {
    at: (T) => {
      const x = (T - least) / step;
      // beyond the ends a straight line: a state is never refused in the middle of a simulation
      if (x <= 0) return values[0]! + slopes[0]! * x;
      if (x >= last) return values[last]! + slopes[last]! * (x - last);
      const k = Math.floor(x);
      const t = x - k;
      const [a, b, c, d] = [values[k]!, slopes[k]!, values[k + 1]!, slopes[k + 1]!];
      return a + t * (b + t * (3 * (c - a) - 2 * b - d + t * (2 * (a - c) + b + d)));
    },
    slope: (T) => {
      const x = Math.min(Math.max((T - least) / step, 0), last - 1e-9);
      const k = Math.floor(x);
      const t = x - k;
      const [a, b, c, d] = [values[k]!, slopes[k]!, values[k + 1]!, slopes[k + 1]!];
      return (b + t * (2 * (3 * (c - a) - 2 * b - d) + 3 * t * (2 * (a - c) + b + d))) / step;
    },
  };
}

/** @throws OutOfRange where the composition has no liquid at ordinary temperatures; the property core's errors */
export const fluidTable: (composition: Composition) => FluidTable = byContent(built);

function built(composition: Composition): FluidTable {
  const line = saturationTable(composition);
  const most = Math.min(MOST_OF_CRITICAL * line.hottest, line.hottest - 1);
  const least = Math.max(COLDEST, line.coldest);
  if (!(most > least + 60)) throw new OutOfRange('end of the boiling line', most, least + 60, 1000, 'K');
  const step = (most - least) / (NODES - 1);
  const R = GAS_CONSTANT / molarOf(composition).molarMass;
  const raw = Object.fromEntries(names.map((name) => [name, new Float64Array(NODES)])) as Record<Name, Float64Array>;
  for (let k = 0; k < NODES; k++) {
    const node = nodeAt(composition, kelvin(least + k * step), R);
    for (const name of names) raw[name][k] = node[name];
  }
  const columns = Object.fromEntries(names.map((name) => [name, columnOf(raw[name], least, step)])) as Record<Name, Column>;
  return { least, most, R, glide: glideOf(composition, least, most), ...columns };
}

const names = [
  'pBubble',
  'pDew',
  'rhoLiquid',
  'rhoVapour',
  'uLiquid',
  'uVapour',
  'hLiquid',
  'hVapour',
  'B',
  'C',
  'uIdeal',
  'stiffness',
  'cpLiquid',
] as const;
type Name = (typeof names)[number];

function nodeAt(composition: Composition, T: Kelvin, R: number): Record<Name, number> {
  const [bubble, dew] = [bubblePoint(composition, T), dewPoint(composition, T)];
  const [liquid, vapour] = [caloric(phasesOf(bubble).liquid), caloric(phasesOf(dew).vapour)];
  // p = rho R T (1 + B rho + C rho²), met at the dew point and at a fifth of its pressure
  const pThin = pascal(THIN_SHARE * dew.p);
  const thin = singlePhase(composition, T, pThin, 'vapour');
  const rhoThin = massDensity(thin);
  const [atThin, atDew] = [(pThin / (rhoThin * R * T) - 1) / rhoThin, (dew.p / (dew.rhoVapour * R * T) - 1) / dew.rhoVapour];
  const C = (atDew - atThin) / (dew.rhoVapour - rhoThin);
  // the energy of a vapour is as good as linear in its density
  const uThin = caloric(thin).internalEnergy;
  const uIdeal = uThin - (rhoThin / dew.rhoVapour) * ((vapour.internalEnergy - uThin) / (1 - rhoThin / dew.rhoVapour));
  return {
    pBubble: bubble.p,
    pDew: dew.p,
    rhoLiquid: bubble.rhoLiquid,
    rhoVapour: dew.rhoVapour,
    uLiquid: liquid.internalEnergy,
    uVapour: vapour.internalEnergy,
    hLiquid: liquid.enthalpy,
    hVapour: vapour.enthalpy,
    B: atThin - C * rhoThin,
    C,
    uIdeal,
    stiffness: stiffnessAt(composition, T, bubble.rhoLiquid, bubble.p),
    cpLiquid: liquid.cp,
  };
}

/** Pa/K: how the pressure of liquid that cannot expand rises, from two compressed states one kelvin warmer. */
function stiffnessAt(composition: Composition, T: Kelvin, rho: number, p: number): number {
  const warmer = kelvin(T + 1);
  const squeezed = (value: number) => ({ p: value, rho: massDensity(singlePhase(composition, warmer, pascal(value), 'liquid')) });
  const [low, high] = [squeezed(p * 1.05 + 1e5), squeezed(p * 1.05 + 7e5)];
  const met = low.p + ((rho - low.rho) / (high.rho - low.rho)) * (high.p - low.p);
  return Math.max(1e4, met - p);
}
