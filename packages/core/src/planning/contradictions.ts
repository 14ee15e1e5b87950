import { kindOf, type SystemKind } from '../circuit/system-kind';
import type { Part } from '../circuit/part';
import type { PartLimit } from '../circuit/weakest-part';
import usual from './usual-charges.json';

/** Facts of one record that hardly go together: asked about, not swallowed, and never refused. */
export interface Contradiction {
  readonly code:
    | 'part-not-in-kind'
    | 'charge-unusual'
    | 'line-without-set'
    | 'valve-without-part'
    | 'switches-crossed'
    | 'limit-below-standing'
    | 'more-than-it-holds';
  readonly numbers: Readonly<Record<string, number>>;
  readonly part?: Part;
  /** The name of a component, as it was recorded. */
  readonly what?: string;
}

export interface RecordedFacts {
  readonly kind: SystemKind;
  /** What this system has. */
  readonly parts: readonly Part[];
  readonly chargeKg: number;
  /** Parts whose volume or state somebody recorded. */
  readonly recorded: readonly Part[];
  readonly lineLengthM?: number;
  readonly kingValve: boolean;
  /** Pa above the atmosphere. */
  readonly switches?: { readonly lowOpens?: number | undefined; readonly highOpens?: number | undefined };
  readonly limits?: readonly PartLimit[];
  readonly standingGauge?: number;
  /** kg on record, and what the circuit could hold, full of liquid. */
  readonly contentKg?: number;
  readonly holdsAtMostKg?: number;
}

export function contradictions({
  kind,
  parts,
  chargeKg,
  recorded,
  lineLengthM,
  kingValve,
  switches = {},
  limits = [],
  standingGauge = 0,
  contentKg = 0,
  holdsAtMostKg = Number.POSITIVE_INFINITY,
}: RecordedFacts): readonly Contradiction[] {
  const of = kindOf(kind);
  const { least, most } = usual.kinds[kind];
  return [
    ...recorded.filter((part) => !parts.includes(part)).map((part) => ({ code: 'part-not-in-kind' as const, numbers: {}, part })),
    ...(chargeKg < least || chargeKg > most ? [{ code: 'charge-unusual' as const, numbers: { charge: chargeKg, least, most } }] : []),
    ...(lineLengthM !== undefined && of.sealed ? [{ code: 'line-without-set' as const, numbers: { length: lineLengthM } }] : []),
    ...(kingValve && !parts.includes('receiver') ? [{ code: 'valve-without-part' as const, numbers: {}, part: 'receiver' as const }] : []),
    ...(switches.lowOpens !== undefined && switches.highOpens !== undefined && switches.lowOpens >= switches.highOpens
      ? [{ code: 'switches-crossed' as const, numbers: { low: switches.lowOpens, high: switches.highOpens } }]
      : []),
    ...(contentKg > holdsAtMostKg ? [{ code: 'more-than-it-holds' as const, numbers: { content: contentKg, holds: holdsAtMostKg } }] : []),
    ...limits
      .filter(({ gaugePa }) => gaugePa < standingGauge)
      .map(({ what, gaugePa }) => ({ code: 'limit-below-standing' as const, numbers: { limit: gaugePa, standing: standingGauge }, what })),
  ];
}
