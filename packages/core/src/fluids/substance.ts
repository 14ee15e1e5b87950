import substances from './substances.json';

/** One group of terms of the residual Helmholtz energy; the equation of each kind stands in `thermo/residual-terms.ts`. */
export type ResidualGroup =
  | { readonly kind: 'power'; readonly n: number[]; readonly t: number[]; readonly d: number[]; readonly l: number[] }
  | {
      readonly kind: 'exponential';
      readonly n: number[];
      readonly t: number[];
      readonly d: number[];
      readonly g: number[];
      readonly l: number[];
    }
  | {
      readonly kind: 'powerWithTau';
      readonly n: number[];
      readonly t: number[];
      readonly d: number[];
      readonly l: number[];
      readonly m: number[];
    }
  | ({ readonly kind: 'gaussian' } & GaussianColumns)
  | ({ readonly kind: 'gaoB'; readonly b: number[] } & GaussianColumns)
  | ({ readonly kind: 'nonAnalytic' } & NonAnalyticColumns);

interface GaussianColumns {
  readonly n: number[];
  readonly t: number[];
  readonly d: number[];
  readonly eta: number[];
  readonly epsilon: number[];
  readonly beta: number[];
  readonly gamma: number[];
}

export interface NonAnalyticColumns {
  readonly n: number[];
  readonly a: number[];
  readonly b: number[];
  readonly beta: number[];
  readonly A: number[];
  readonly B: number[];
  readonly C: number[];
  readonly D: number[];
}

export interface IdealPart {
  readonly a1: number;
  readonly a2: number;
  readonly c: number;
  readonly power?: { readonly n: number[]; readonly t: number[] };
  readonly planckEinstein?: { readonly n: number[]; readonly t: number[] };
}

/** Starting values for a saturation state; `form` and `times` as in the data's own description. */
export interface Ancillary {
  readonly form: 'exp' | 'linear';
  readonly times: 'Tr/T' | '1';
  readonly Tr: number;
  readonly reducing: number;
  readonly n: number[];
  readonly t: number[];
  readonly Tmin: number;
  readonly Tmax: number;
}

/** A pure substance: molar mass in kg/mol, gas constant in J/(mol K), temperatures in K, densities in mol/m³, pressures in Pa. */
export interface Substance {
  readonly id: string;
  readonly molarMass: number;
  readonly gasConstant: number;
  readonly tripleT: number;
  /** Lower end of the equation of state; for some substances above the triple point. */
  readonly minT: number;
  readonly maxT: number;
  readonly maxP: number;
  readonly acentric: number;
  readonly reducing: { readonly T: number; readonly rhoMolar: number; readonly p: number };
  readonly critical: { readonly T: number; readonly p: number; readonly rhoMolar: number };
  readonly eos: { readonly residual: ResidualGroup[]; readonly ideal: IdealPart };
  readonly ancillary: { readonly p: Ancillary; readonly rhoLiquid: Ancillary };
}

// The compiler sees a JSON array of records with literal-less strings; the shape is held by `substance.test.ts`.
export const allSubstances = substances as unknown as readonly Substance[];

const byId = new Map(allSubstances.map((substance) => [substance.id, substance]));

export const findSubstance = (id: string): Substance | undefined => byId.get(id);
