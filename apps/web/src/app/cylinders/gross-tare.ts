import type { Cylinder } from '@hygromet/contract/cylinder';

/** By which the gross weights are told: the smaller of the collar's tare and the weighed one. */
export const tareOf = ({ tareKg, tareWeighedKg }: Pick<Cylinder, 'tareKg' | 'tareWeighedKg'>): number =>
  Math.min(tareKg, tareWeighedKg ?? tareKg);
