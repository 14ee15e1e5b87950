import { massFractionsOf, type Composition } from '../fluids/composition';
import type { Density, Kelvin, Pascal } from '../units/quantity';
import { mixtureLiquidGuess } from './ancillary';
import { refuseBeyondEquation } from './equation-limits';
import { modelOf } from './mixture-model';
import { evaluatedPhase, massDensity, Phase } from './phase';
import { metastableOrRefused, phasesOf, type Saturation } from './saturation';
import type { Layer, ThreePhases } from './three-phases';
import type { Vessel } from './vessel-solver';

/** A phase of a vessel's content with its share of the mass. */
export interface PhaseShare {
  readonly phase: Phase;
  readonly massShare: number;
}

/** One of two liquids in a vessel. Shares of the whole volume and mass, 0 to 1; density kg/m³. */
export interface LiquidLayer {
  readonly volumeFraction: number;
  readonly massFraction: number;
  readonly rho: Density;
  readonly liquid: Composition;
}

interface Content {
  /** Absolute, Pa. */
  readonly p: Pascal;
  readonly estimated: boolean;
  /** The phases evaluated anew, made when they are asked for. */
  readonly phases: readonly PhaseShare[];
}

/** What a closed vessel holds at a temperature. Fractions 0 to 1, densities kg/m³. */
export type ClosedVolume = Content &
  (
    | {
        readonly state: 'two-phase';
        readonly liquidVolumeFraction: number;
        readonly liquidMassFraction: number;
        readonly rhoLiquid: Density;
        readonly rhoVapour: Density;
        readonly liquid: Composition;
        readonly vapour: Composition;
      }
    /** The liquid has parted: two layers under their vapour, the denser one first. Both fractions are of the two together. */
    | {
        readonly state: 'two-liquids';
        readonly liquidVolumeFraction: number;
        readonly liquidMassFraction: number;
        readonly liquids: readonly [LiquidLayer, LiquidLayer];
        readonly rhoVapour: Density;
        readonly vapour: Composition;
      }
    /** No vapour left: the pressure follows the compressed liquid, several bar per kelvin. */
    | { readonly state: 'liquid-full'; readonly rhoLiquid: Density; readonly liquid: Composition }
    | { readonly state: 'vapour'; readonly rhoVapour: Density; readonly vapour: Composition }
  );

/** A share of the saturated liquid's density: a vapour is never that dense. */
const SURELY_LIQUID = 0.8;

/** The whole content as one phase, whether it is stable or not. @throws OutOfRange, LiquidParts for a liquid that would part */
export function onePhase(composition: Composition, rho: Density, T: Kelvin): ClosedVolume {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const phase = new Phase(model).set(moleFraction, rho / molarMass);
  phase.evaluate(T);
  refuseBeyondEquation(model, phase.p);
  if (rho > SURELY_LIQUID * molarMass * mixtureLiquidGuess(model, moleFraction, T)) metastableOrRefused(composition, phase);
  const reducing = 1 / model.v.reduce((sum, v, i) => sum + moleFraction[i]! * v, 0);
  const common = { p: phase.p as Pascal, estimated: model.estimated, phases: [{ phase, massShare: 1 }] };
  return phase.rhoTotal > reducing
    ? { state: 'liquid-full', rhoLiquid: rho, liquid: composition, ...common }
    : { state: 'vapour', rhoVapour: rho, vapour: composition, ...common };
}

/** A pure fluid between its ends: φ = (m/V − ρ″)/(ρ′ − ρ″) */
export function byLever(saturation: Saturation, rho: Density): ClosedVolume {
  const { p, rhoLiquid, rhoVapour, liquid, vapour, estimated } = saturation;
  const liquidVolumeFraction = (rho - rhoVapour) / (rhoLiquid - rhoVapour);
  const liquidMassFraction = (liquidVolumeFraction * rhoLiquid) / rho;
  return {
    state: 'two-phase',
    p,
    liquidVolumeFraction,
    liquidMassFraction,
    rhoLiquid,
    rhoVapour,
    liquid,
    vapour,
    estimated,
    get phases() {
      const both = phasesOf(saturation);
      return [
        { phase: both.liquid, massShare: liquidMassFraction },
        { phase: both.vapour, massShare: 1 - liquidMassFraction },
      ];
    },
  };
}

/** The phases of a vessel that was solved for. @throws LiquidParts */
export function twoPhases({ liquid, vapour, T, composition }: Vessel, u: Float64Array, rho: Density): ClosedVolume {
  metastableOrRefused(composition, liquid);
  const beta = 1 / (1 + Math.exp(-u.at(-1)!));
  const { model } = liquid;
  const rhoLiquid = massDensity(liquid);
  const liquidMassFraction = ((1 - beta) * rhoLiquid) / rho;
  const densities = [Array.from(liquid.rho), Array.from(vapour.rho)] as const;
  return {
    state: 'two-phase',
    p: vapour.p as Pascal,
    liquidVolumeFraction: 1 - beta,
    liquidMassFraction,
    rhoLiquid,
    rhoVapour: massDensity(vapour),
    liquid: massFractionsOf(model.substances, liquid.rho),
    vapour: massFractionsOf(model.substances, vapour.rho),
    estimated: model.estimated,
    get phases() {
      return densities.map((density, k) => ({
        phase: evaluatedPhase(model, density, T),
        massShare: k === 0 ? liquidMassFraction : 1 - liquidMassFraction,
      }));
    },
  };
}

/** Two liquids under their vapour, all of them there. */
export function twoLiquids({ liquid: { model } }: Vessel, { liquids, vapour }: ThreePhases, rho: Density): ClosedVolume {
  const massShare = ({ phase, volumeShare }: Layer) => (volumeShare * massDensity(phase)) / rho;
  const layer = (of: Layer): LiquidLayer => ({
    volumeFraction: of.volumeShare,
    massFraction: massShare(of),
    rho: massDensity(of.phase),
    liquid: massFractionsOf(model.substances, of.phase.rho),
  });
  return {
    state: 'two-liquids',
    p: vapour.phase.p as Pascal,
    liquidVolumeFraction: 1 - vapour.volumeShare,
    liquidMassFraction: 1 - massShare(vapour),
    liquids: [layer(liquids[0]), layer(liquids[1])],
    rhoVapour: massDensity(vapour.phase),
    vapour: massFractionsOf(model.substances, vapour.phase.rho),
    estimated: model.estimated,
    phases: [...liquids, vapour].map((of) => ({ phase: of.phase, massShare: massShare(of) })),
  };
}
