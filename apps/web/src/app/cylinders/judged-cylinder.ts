import type { Cylinder } from '@hygromet/contract/cylinder';
import { hotPressureAllowed } from '@hygromet/core/cylinder/cylinder-rating';
import { UNCHECKED_AIR } from '@hygromet/core/cylinder/unchecked-air';
import { NoFillLimit } from '@hygromet/core/errors';
import { unless } from '@hygromet/core/unless';
import type { LimitsArgs } from '../core-worker/cylinder-operations';

/** What a collar and its scale say of a cylinder, as limits and class are asked for it. */
export const collarOf = ({
  volumeM3,
  tareKg,
  tareWeighedKg,
  servicePressurePa,
  marks,
}: Cylinder): Pick<LimitsArgs, 'volumeM3' | 'tareKg' | 'tareWeighedKg' | 'rating'> => ({
  volumeM3,
  tareKg,
  tareWeighedKg: tareWeighedKg ?? undefined,
  rating: { stamp: marks.stamp, servicePressure: servicePressurePa, testPressure: marks.testPressurePa },
});

/** Pa absolute that must not be passed in the heat; a collar without a stamp is read as a US one. Nothing while a mark is missing. */
export const borneBy = ({ name, servicePressurePa, marks }: Cylinder): number | undefined =>
  unless(NoFillLimit, () =>
    hotPressureAllowed({ stamp: marks.stamp ?? 'us', servicePressure: servicePressurePa, testPressure: marks.testPressurePa }, name),
  );

/** Air that is counted in its pressures: what a check found, else as much as nobody has ruled out. */
export const airCounted = ({ airShare }: Pick<Cylinder, 'airShare'>): number => airShare ?? UNCHECKED_AIR;

/** The set pressure of its relief valve, Pa absolute, where somebody has recorded it. */
export const reliefOf = ({ marks }: Pick<Cylinder, 'marks'>, atmosphere: number): number | undefined =>
  marks.reliefPressurePa === undefined ? undefined : marks.reliefPressurePa + atmosphere;
