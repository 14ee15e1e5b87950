import * as z from 'zod';

/** Of what: a designation, or mass fractions by substance. */
const what = { refrigerant: z.string().optional(), composition: z.record(z.string(), z.number()).optional() };
const T = z.number({ error: 'T, the temperature in K, is missing or not a number.' });
const V = z.number({ error: 'V, the volume in m³, is missing or not a number.' });
const m = z.number({ error: 'm, the mass in kg, is missing or not a number.' });

export const saturationRequest = z.strictObject({ op: z.literal('saturation'), ...what, T });
export const closedVolumeRequest = z.strictObject({ op: z.literal('closedVolume'), ...what, V, m, T });
export const liquidFullRequest = z.strictObject({
  op: z.literal('liquidFull'),
  ...what,
  density: z.number({ error: 'density, in kg/m³, is missing or not a number.' }),
  above: z.array(z.number()).max(100).optional(),
});
export const leakRequest = z.strictObject({
  op: z.literal('leak'),
  ...what,
  V,
  m,
  T,
  phase: z.enum(['vapour', 'liquid']),
  lost: z.array(z.number()).min(1).max(100),
});

/** One question to the property core, SI, shares by mass. */
export const propertyRequest = z.discriminatedUnion('op', [saturationRequest, closedVolumeRequest, liquidFullRequest, leakRequest], {
  error: 'op is one of saturation, closedVolume, liquidFull, leak.',
});
export type PropertyRequest = z.infer<typeof propertyRequest>;

const shares = z.record(z.string(), z.number());

export const saturationAnswer = z.strictObject({
  pBubble: z.number(),
  pDew: z.number(),
  rhoLiquid: z.number(),
  rhoVapour: z.number(),
  /** Composition of the first bubble, and of the first drop. */
  bubbleVapour: shares,
  dewLiquid: shares,
  /** Enthalpy of the dew-point vapour less that of the bubble-point liquid, J/kg. */
  latentHeat: z.number(),
  estimated: z.boolean(),
  /** By the model the liquid of this blend would part into two here; told only where it is so. */
  metastable: z.boolean().optional(),
});

export const closedVolumeAnswer = z.strictObject({
  state: z.enum(['two-phase', 'two-liquids', 'liquid-full', 'vapour']),
  p: z.number(),
  liquidVolumeFraction: z.number(),
  liquidMassFraction: z.number(),
  rhoLiquid: z.number().nullable(),
  rhoVapour: z.number().nullable(),
  liquid: shares.nullable(),
  /** Of `two-liquids`: the two layers, the denser one first. Shares of the whole volume and mass. */
  liquids: z.array(z.strictObject({ volumeFraction: z.number(), massFraction: z.number(), rho: z.number(), liquid: shares })).optional(),
  vapour: shares.nullable(),
  estimated: z.boolean(),
});

export const liquidFullAnswer = z.strictObject({
  T: z.number(),
  p: z.number(),
  pAbove: z.array(z.number()).optional(),
  estimated: z.boolean(),
});
export const leakAnswer = z.strictObject({
  states: z.array(z.strictObject({ lost: z.number(), left: shares, p: z.number() })),
  estimated: z.boolean(),
});

export const propertyAnswer = z.union([saturationAnswer, closedVolumeAnswer, liquidFullAnswer, leakAnswer]);
export type PropertyAnswer = z.infer<typeof propertyAnswer>;
