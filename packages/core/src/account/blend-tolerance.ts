import type { Composition } from '../fluids/composition';
import { refrigerant } from '../fluids/refrigerant';
import data from './blend-tolerances.json';

/** Shares by mass between which a component of a designation may lie. */
export interface Band {
  readonly low: number;
  readonly nominal: number;
  readonly high: number;
}

const table: Readonly<Record<string, Readonly<Record<string, readonly number[]>>>> = data.blends;
/** Of everything that is none of its components. */
export const FOREIGN_SHARE: number = data.foreignShare;

/** Whether the band is published for this designation, or the widest that is usual. */
export const isPublishedTolerance = (designation: string): boolean => designation in table;

/** The band of each component. @throws UnknownRefrigerant */
export function toleranceOf(designation: string): ReadonlyMap<string, Band> {
  const { composition } = refrigerant(designation);
  const components = Object.entries(composition);
  const current = table[designation];
  return new Map(
    components.map(([substance, nominal]) => {
      const [below, above] = current?.[substance] ?? [data.usual.below, data.usual.above];
      const single = components.length === 1;
      return [substance, { low: single ? 1 - FOREIGN_SHARE : nominal - below! / 100, nominal, high: Math.min(1, nominal + above! / 100) }];
    }),
  );
}

/** By how much each component is beyond its band, shares by mass; empty where it is within. */
export function beyondTolerance(composition: Composition, designation: string): ReadonlyMap<string, number> {
  const bands = toleranceOf(designation);
  const beyond = new Map<string, number>();
  for (const [substance, { low, high }] of bands) {
    const share = composition[substance] ?? 0;
    if (share < low - 1e-9) beyond.set(substance, share - low);
    if (share > high + 1e-9) beyond.set(substance, share - high);
  }
  const foreign = Object.entries(composition).filter(([substance]) => !bands.has(substance));
  const sum = foreign.reduce((total, [, share]) => total + share, 0);
  if (sum > FOREIGN_SHARE) for (const [substance, share] of foreign) beyond.set(substance, share);
  return beyond;
}
