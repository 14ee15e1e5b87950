import type { Part } from './part';

/** What a component of a circuit bears, as it stands on it: Pa above the atmosphere. */
export interface PartLimit {
  /** What it is, such as "suction pressure sensor". */
  readonly what: string;
  /** The part of the circuit it sits in. */
  readonly part: Part;
  readonly gaugePa: number;
}

/** The component that bears least: no pressure test and no sweep may go above it while it is connected. */
export const weakestPart = (limits: readonly PartLimit[]): PartLimit | undefined =>
  limits.reduce<PartLimit | undefined>(
    (least, partLimit) => (least === undefined || partLimit.gaugePa < least.gaugePa ? partLimit : least),
    undefined,
  );
