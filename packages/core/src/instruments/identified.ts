import data from './identifier.json';

/** What an identifier tells of a sample of vapour. */
export interface Sampled {
  /** As its display names it. */
  readonly refrigerant: string;
  /** Per cent of the vapour by volume; nothing where it does not measure air. */
  readonly airPercent?: number | undefined;
}

/** What an identifier says of a sample: kept with its time, for its battery speaks later than the sample was taken. */
const SAMPLED: readonly string[] = ['refrigerant', 'nonCondensables'];
const timeOf = (fact: string): string => `${fact}At`;

/** A fact as it is kept: of a sample with its time, s since 1970. */
export const keptFact = ({ fact, value, at }: { fact: string; value: string | number | boolean; at: number }) =>
  SAMPLED.includes(fact) ? { [fact]: value, [timeOf(fact)]: at } : { [fact]: value };

/** The last sample among the facts of an instrument, s since 1970; air that was measured in another one is not its. */
export function sampleOf(facts: Readonly<Record<string, string | number | boolean>>): (Sampled & { readonly at: number }) | undefined {
  const [refrigerant, at] = [facts['refrigerant'], facts[timeOf('refrigerant')]];
  if (typeof refrigerant !== 'string' || typeof at !== 'number') return undefined;
  const [air, airAt] = [facts['nonCondensables'], facts[timeOf('nonCondensables')]];
  const same = typeof air === 'number' && airAt === at;
  return { refrigerant, at, ...(same ? { airPercent: air } : {}) };
}

/** `another`: not the refrigerant of the record; `air`: more non-condensables than a reclaimed refrigerant may have. */
export const identifiedVerdicts = ['as-recorded', 'air', 'another'] as const;
export type IdentifiedVerdict = (typeof identifiedVerdicts)[number];

/** Per cent of air in the vapour that is still borne. */
export const MOST_AIR_PERCENT = data.mostAirPercent.value;

/** What a sample says of a record. Another refrigerant comes before air: air can be purged, a mixture cannot be undone. */
export function identified({ refrigerant, airPercent }: Sampled, recorded: string): IdentifiedVerdict {
  if (plain(refrigerant) !== plain(recorded)) return 'another';
  return airPercent !== undefined && airPercent > MOST_AIR_PERCENT ? 'air' : 'as-recorded';
}

/** "R410a", "R-410A": displays write it as they like. */
const plain = (name: string): string => name.toUpperCase().replaceAll(/[^A-Z0-9]/g, '');
