import publications from './publications.json';

/** Where an equation of state was published. */
export interface Publication {
  readonly key: string;
  readonly authors: string;
  readonly title: string;
  readonly year: string;
  readonly journal?: string;
  readonly doi?: string;
}

const bySubstance = new Map<string, Publication>(Object.entries(publications));

/** The publication of a substance's equation of state. Apart from the coefficients: who computes need not load it. */
export const publicationOf = (id: string): Publication | undefined => bySubstance.get(id);
