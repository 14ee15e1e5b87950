import { kindOf, type SystemKind } from '../circuit/system-kind';
import type { Part } from '../circuit/part';
import limits from './usual-charges.json';

/** Facts of one record that hardly go together: asked about, not swallowed, and never refused. */
export interface Contradiction {
  readonly code: 'part-not-in-kind' | 'charge-unusual' | 'line-without-set' | 'valve-without-part';
  readonly numbers: Readonly<Record<string, number>>;
  readonly part?: Part;
}

export interface RecordedFacts {
  readonly kind: SystemKind;
  readonly chargeKg: number;
  /** Parts whose volume or state somebody recorded. */
  readonly recorded: readonly Part[];
  readonly lineLengthM?: number;
  readonly kingValve: boolean;
}

export function contradictions({ kind, chargeKg, recorded, lineLengthM, kingValve }: RecordedFacts): readonly Contradiction[] {
  const of = kindOf(kind);
  const { least, most } = limits.kinds[kind];
  return [
    ...recorded.filter((part) => !of.parts.includes(part)).map((part) => ({ code: 'part-not-in-kind' as const, numbers: {}, part })),
    ...(chargeKg < least || chargeKg > most ? [{ code: 'charge-unusual' as const, numbers: { charge: chargeKg, least, most } }] : []),
    ...(lineLengthM !== undefined && of.sealed ? [{ code: 'line-without-set' as const, numbers: { length: lineLengthM } }] : []),
    ...(kingValve && !of.parts.includes('receiver')
      ? [{ code: 'valve-without-part' as const, numbers: {}, part: 'receiver' as const }]
      : []),
  ];
}
