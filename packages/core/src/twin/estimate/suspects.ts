import type { Fitted } from './refit';
import { unknowns, type Unknown } from './unknowns';

/** What readings say that no record does. */
export const suspects = [
  'restricted',
  'machine-weak',
  'machine-hot',
  'cylinder-hot',
  'more-than-recorded',
  'less-than-recorded',
  'does-not-fit',
] as const;
export type Suspect = (typeof suspects)[number];

/** Standard deviations of what was thought before, beyond which it is said. */
const BEYOND = 1.6;
/** Of that, it has to be seen so well. */
const SEEN = 0.6;
/** Standard deviations that readings are off on the whole: then no factor explains them. */
const MISFIT = 2.5;

const LOW: Partial<Record<Unknown, Suspect>> = {
  flow: 'restricted',
  pump: 'machine-weak',
  machineCooling: 'machine-hot',
  cylinderCooling: 'cylinder-hot',
  charge: 'less-than-recorded',
};

/** Which factor is far from usual, and seen to be. */
export function suspectsOf({ guess, covariance, prior, misfit }: Fitted): readonly Suspect[] {
  if (misfit > MISFIT) return ['does-not-fit'];
  return unknowns.flatMap((name, k) => {
    const sd = Math.sqrt(covariance[k * unknowns.length + k]!);
    const far = guess[k]! / prior[k]!;
    if (sd > SEEN * prior[k]! || Math.abs(far) < BEYOND) return [];
    if (far > 0) return name === 'charge' ? ['more-than-recorded' as const] : [];
    return LOW[name] ?? [];
  });
}
