import data from './identifier.json';

/** What an identifier tells of a sample of vapour. */
export interface Sampled {
  /** As its display names it. */
  readonly refrigerant: string;
  /** Per cent of the vapour by volume; nothing where it does not measure air. */
  readonly airPercent?: number | undefined;
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
