import type { Candidate } from '@hygromet/core/cylinder/suitability';
import type { Cylinder } from './cylinder';

/** A cylinder of the register as the core judges it; what it is labelled for counts as much as what is in it. */
export const candidateOf = (
  cylinder: Omit<Cylinder, 'fillStatus'>,
  nominal: (id: string) => Readonly<Record<string, number>> | undefined,
): Candidate => ({
  kind: cylinder.marks.kind,
  volumeM3: cylinder.volumeM3,
  tareKg: cylinder.tareKg,
  tareWeighedKg: cylinder.tareWeighedKg ?? undefined,
  contentKg: cylinder.contentKg,
  composition: cylinder.composition ?? (cylinder.refrigerant === null ? undefined : nominal(cylinder.refrigerant)),
  evacuated: cylinder.evacuatedAt !== null,
  servicePressurePa: cylinder.servicePressurePa,
  testPressurePa: cylinder.marks.testPressurePa,
  stamp: cylinder.marks.stamp,
  overdue: cylinder.flags.includes('overdue'),
  retired: cylinder.retiredAt !== null,
  collarUnconfirmed: cylinder.flags.includes('collar-unconfirmed'),
  flammableRated: cylinder.marks.flammableRated,
  owner: cylinder.marks.owner,
  nonCondensables: cylinder.flags.includes('non-condensables'),
  airShare: cylinder.airShare ?? undefined,
});
