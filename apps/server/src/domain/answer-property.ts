import type { PropertyAnswer, PropertyRequest } from '@hygromet/contract/properties';
import type { Composition } from '@hygromet/core/fluids/composition';
import { enthalpy } from '@hygromet/core/thermo/caloric';
import { leak } from '@hygromet/core/thermo/leak';
import { compressedLiquidPressure, liquidFull } from '@hygromet/core/thermo/liquid-full';
import { modelOf } from '@hygromet/core/thermo/mixture-model';
import { bubblePoint, dewPoint, phasesOf } from '@hygromet/core/thermo/saturation';
import { vesselWithAir } from '@hygromet/core/thermo/vessel-with-air';
import { cubicMetre, density, kelvin, kilogram } from '@hygromet/core/units/quantity';
import { whatIsAsked } from './what-is-asked';

type Of<K extends PropertyRequest['op']> = Extract<PropertyRequest, { op: K }>;

/** Answers one question by the full model; the command line and the interface for programs ask the same. @throws the core's errors */
export function answerProperty(request: PropertyRequest): PropertyAnswer {
  const composition = whatIsAsked(request);
  switch (request.op) {
    case 'saturation':
      return saturation(composition, request);
    case 'closedVolume':
      return vessel(composition, request);
    case 'liquidFull':
      return full(composition, request);
    case 'leak':
      return leaked(composition, request);
    default:
      return request satisfies never;
  }
}

function saturation(composition: Composition, { T }: Of<'saturation'>) {
  const [bubble, dew] = [bubblePoint(composition, kelvin(T)), dewPoint(composition, kelvin(T))];
  return {
    pBubble: bubble.p,
    pDew: dew.p,
    rhoLiquid: bubble.rhoLiquid,
    rhoVapour: dew.rhoVapour,
    bubbleVapour: { ...bubble.vapour },
    dewLiquid: { ...dew.liquid },
    latentHeat: enthalpy(phasesOf(dew).vapour) - enthalpy(phasesOf(bubble).liquid),
    estimated: bubble.estimated,
    ...(bubble.metastable || dew.metastable ? { metastable: true } : {}),
  };
}

function vessel(composition: Composition, { V, m, T }: Of<'closedVolume'>) {
  const content = vesselWithAir(composition, cubicMetre(V), kilogram(m), kelvin(T));
  const { state, p, estimated } = content;
  switch (content.state) {
    case 'two-phase': {
      const { liquidVolumeFraction, liquidMassFraction, rhoLiquid, rhoVapour, liquid, vapour } = content;
      return {
        state,
        p,
        liquidVolumeFraction,
        liquidMassFraction,
        rhoLiquid,
        rhoVapour,
        liquid: { ...liquid },
        vapour: { ...vapour },
        estimated,
      };
    }
    case 'two-liquids': {
      const { liquidVolumeFraction, liquidMassFraction, liquids, rhoVapour, vapour } = content;
      return {
        state,
        p,
        liquidVolumeFraction,
        liquidMassFraction,
        rhoLiquid: null,
        rhoVapour,
        liquid: null,
        liquids: liquids.map((layer) => ({ ...layer, liquid: { ...layer.liquid } })),
        vapour: { ...vapour },
        estimated,
      };
    }
    case 'liquid-full':
      return {
        state,
        p,
        liquidVolumeFraction: 1,
        liquidMassFraction: 1,
        rhoLiquid: content.rhoLiquid,
        rhoVapour: null,
        liquid: { ...content.liquid },
        vapour: null,
        estimated,
      };
    case 'vapour':
      return {
        state,
        p,
        liquidVolumeFraction: 0,
        liquidMassFraction: 0,
        rhoLiquid: null,
        rhoVapour: content.rhoVapour,
        liquid: null,
        vapour: { ...content.vapour },
        estimated,
      };
    default:
      return content satisfies never;
  }
}

function full(composition: Composition, { density: rho, above }: Of<'liquidFull'>) {
  const { T, p, estimated } = liquidFull(composition, density(rho));
  const pAbove = above?.map((kelvins) => compressedLiquidPressure(composition, density(rho), kelvin(T + kelvins)));
  return { T, p, ...(pAbove === undefined ? {} : { pAbove }), estimated };
}

function leaked(composition: Composition, { V, m, T, phase, lost }: Of<'leak'>) {
  const states = leak(composition, cubicMetre(V), kilogram(m), kelvin(T), phase, lost);
  return {
    states: states.map(({ lost: share, left, p }) => ({ lost: share, left: { ...left }, p })),
    estimated: modelOf(composition).model.estimated,
  };
}
