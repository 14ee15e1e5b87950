import blends from './blends.json';

/** How far the mixture model of a blend can be trusted: by publication, fitted to its boiling point, or by an estimating rule. */
export type ModelQuality = 'published' | 'fitted' | 'estimated';

export interface Blend {
  readonly id: string;
  /** Nominal composition, mass fractions by substance. */
  readonly massFraction: Readonly<Record<string, number>>;
  readonly modelQuality: ModelQuality;
}

// As in substance.ts: a JSON file has no literal types; `blend.test.ts` holds the shape.
export const allBlends = blends as unknown as readonly Blend[];

const byId = new Map(allBlends.map((blend) => [blend.id, blend]));

export const findBlend = (id: string): Blend | undefined => byId.get(id);
