import type { Fitted } from './refit';
import { unknowns, type Unknown } from './guess';

/** What readings say that no record does. */
export const suspects = [
  'restricted',
  'machine-weak',
  'machine-hot',
  'cylinder-hot',
  'more-than-recorded',
  'less-than-recorded',
  'valve-shut',
  'air',
  'another-refrigerant',
  'does-not-fit',
] as const;
export type Suspect = (typeof suspects)[number];

/** Standard deviations of what was thought before, beyond which it is said. */
const BEYOND = 1.6;
/** Standard deviations that readings are off on the whole: then no factor explains them. */
export const MISFIT = 2.5;

const LOW: Partial<Record<Unknown, Suspect>> = {
  flow: 'restricted',
  pump: 'machine-weak',
  machineCooling: 'machine-hot',
  cylinderCooling: 'cylinder-hot',
  charge: 'less-than-recorded',
};

/** Which factor is farthest from usual, where one is far and seen to be: one thing at a time is looked at. */
export function suspectsOf({ guess, seen, prior, misfit }: Fitted): readonly Suspect[] {
  if (misfit > MISFIT) return ['does-not-fit'];
  const far = unknowns
    .map((name, k) => ({ name, far: guess[k]! / prior[k]!, seen: seen[k]! }))
    // oil is what it is: nobody looks for it at the machine
    .filter((entry) => entry.name !== 'oil' && entry.seen && Math.abs(entry.far) > BEYOND)
    .sort((a, b) => Math.abs(b.far) - Math.abs(a.far))[0];
  if (far === undefined) return [];
  const suspect = far.far < 0 ? LOW[far.name] : far.name === 'charge' ? 'more-than-recorded' : undefined;
  return suspect === undefined ? [] : [suspect];
}
