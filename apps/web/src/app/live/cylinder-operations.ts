import { decanting, type Decanting } from '@hygromet/core/cylinder/decanting';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { suitability, type Candidate, type Incoming, type Suitability } from '@hygromet/core/cylinder/suitability';
import type { Composition } from '@hygromet/core/fluids/composition';
import { airCheck, type Accuracy, type AirCheck } from '@hygromet/core/readings/air-check';
import { kelvin, pascal } from '@hygromet/core/units/quantity';

export interface SuitArgs {
  readonly cylinders: readonly (Candidate & { readonly id: string })[];
  readonly incoming: Incoming;
  readonly policy: FillPolicy;
  readonly hottestK: number;
}

export type Suited = Suitability & { readonly id: string };

export interface DecantArgs {
  readonly composition: Composition;
  readonly cylinder: { readonly contentKg: number; readonly limitKg: number; readonly volumeM3: number };
  /** Cylinders that could take some, already sorted out by nothing but their identity. */
  readonly others: SuitArgs;
}

/** What is asked about cylinders: whether something may go into them, where too much goes, and whether there is air in them. */
export const cylinderOperations = {
  suit: ({ cylinders, incoming, policy, hottestK }: SuitArgs): readonly Suited[] =>
    cylinders.map((cylinder) => ({ id: cylinder.id, ...suitability(cylinder, incoming, policy, kelvin(hottestK)) })),

  decant: ({ composition, cylinder, others }: DecantArgs): Decanting => {
    const receiving = cylinderOperations.suit(others).filter(({ objections }) => objections.length === 0);
    return decanting(composition, cylinder, receiving);
  },

  air: ({ composition, p, T, accuracy }: { composition: Composition; p: number; T: number; accuracy: Accuracy }): AirCheck =>
    airCheck(composition, pascal(p), kelvin(T), accuracy),
};
