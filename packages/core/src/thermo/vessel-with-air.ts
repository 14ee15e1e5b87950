import { BadComposition } from '../errors';
import { compositionOf, mixed, type Composition } from '../fluids/composition';
import { findSubstance } from '../fluids/substance';
import { kilogram, type CubicMetre, type Density, type Kelvin, type Kilogram } from '../units/quantity';
import { closedVolume } from './closed-volume';
import type { ClosedVolume, LiquidLayer } from './vessel-states';
import { modelOf } from './mixture-model';
import { withGas } from './non-condensable';

/**
 * State of the mass `m` in the volume `V` at `T` where nitrogen, oxygen or argon may stand in the composition beside refrigerants with which
 * nobody has published them. Such a gas stays in the vapour (`non-condensable.ts`); whatever is published goes by the mixture's own equations.
 * @throws OutOfRange, NoConvergence, LiquidParts
 */
export function vesselWithAir(composition: Composition, V: CubicMetre, m: Kilogram, T: Kelvin): ClosedVolume {
  const { strayGases } = modelOf(composition).model;
  if (strayGases.length === 0) return closedVolume(composition, V, m, T);
  const gasShare = shareOf(composition, strayGases);
  if (gasShare >= 1 - NOTHING) throw new BadComposition('Air alone is asked as a composition of nitrogen, oxygen and argon.');
  const [gas, rest] = [partOf(composition, strayGases, gasShare), partOf(composition, others(composition, strayGases), 1 - gasShare)];
  const massGas = gasShare * m;
  const amount = strayGases.reduce((sum, id) => sum + (composition[id]! * m) / findSubstance(id)!.molarMass, 0);
  const { vessel, p, space } = withGas(rest, V, kilogram(m - massGas), T, amount);
  const common = { p, estimated: true, phases: vessel.phases };
  const vapourOver = (mass: number, of: Composition) => ({
    rhoVapour: ((mass + massGas) / space) as Density,
    vapour: mixed([
      { composition: of, mass },
      { composition: gas, mass: massGas },
    ]),
  });
  switch (vessel.state) {
    case 'vapour':
      return { state: 'vapour', ...vapourOver(m - massGas, vessel.vapour), ...common };
    case 'two-phase': {
      const massVapour = vessel.rhoVapour * space;
      const massLiquid = m - massGas - massVapour;
      return {
        state: 'two-phase',
        liquidVolumeFraction: 1 - space / V,
        liquidMassFraction: massLiquid / m,
        rhoLiquid: (massLiquid / (V - space)) as Density,
        liquid: vessel.liquid,
        ...vapourOver(massVapour, vessel.vapour),
        ...common,
      };
    }
    case 'two-liquids': {
      const { liquids, liquidVolumeFraction } = vessel;
      const massLiquid = liquids.reduce((sum, layer) => sum + layer.rho * layer.volumeFraction * V, 0);
      const layer = (of: LiquidLayer): LiquidLayer => ({ ...of, massFraction: (of.rho * of.volumeFraction * V) / m });
      return {
        state: 'two-liquids',
        liquidVolumeFraction,
        liquidMassFraction: massLiquid / m,
        liquids: [layer(liquids[0]), layer(liquids[1])],
        ...vapourOver(m - massGas - massLiquid, vessel.vapour),
        ...common,
      };
    }
    case 'liquid-full': // the gas keeps itself a little space; without a vapour beside it that is all there is of it
      return { state: 'liquid-full', rhoLiquid: vessel.rhoLiquid, liquid: vessel.liquid, ...common };
    default:
      return vessel satisfies never;
  }
}

const NOTHING = 1e-9;
const others = (composition: Composition, gases: readonly string[]) => Object.keys(composition).filter((id) => !gases.includes(id));
const shareOf = (composition: Composition, ids: readonly string[]) => ids.reduce((sum, id) => sum + (composition[id] ?? 0), 0);
const partOf = (composition: Composition, ids: readonly string[], total: number) =>
  compositionOf(Object.fromEntries(ids.map((id) => [id, composition[id]! / total])));
