import { NoTwoPhaseState } from '../errors';
import type { Composition } from '../fluids/composition';
import { leak } from '../thermo/leak';
import { unless } from '../unless';
import { cubicMetre, kilogram, type Kelvin } from '../units/quantity';

export interface VapourTask {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly contentKg: number;
  readonly T: Kelvin;
  /** kg that are drawn. */
  readonly kg: number;
}

/** Mass shares nearer than this are the same. */
const SAME = 1e-6;

/** Mass share by which what would be drawn is off its blend, of the substance that is off most. */
export interface VapourError {
  readonly substance: string;
  readonly off: number;
}

/**
 * What a blend would be if it were drawn from the vapour of its cylinder: slowly, at one temperature, by the property core's own equilibrium.
 * Nothing for a single substance, and nothing where there is no liquid to boil or all of it is drawn.
 * @throws the property core's errors
 */
export function drawnAsVapour({ composition, volumeM3, contentKg, T, kg }: VapourTask): VapourError | undefined {
  const substances = Object.keys(composition);
  if (substances.length < 2 || contentKg <= 0 || kg <= 0 || kg >= contentKg) return undefined;
  const share = kg / contentKg;
  const after = unless(NoTwoPhaseState, () => leak(composition, cubicMetre(volumeM3), kilogram(contentKg), T, 'vapour', [share])[0]);
  if (after === undefined) return undefined;
  const drawn = (substance: string) => (composition[substance]! - (1 - share) * (after.left[substance] ?? 0)) / share;
  return (
    substances
      .map((substance) => ({ substance, off: drawn(substance) - composition[substance]! }))
      // of two substances one is off as much as the other: what there is more of is told
      .sort((one, other) =>
        Math.abs(Math.abs(one.off) - Math.abs(other.off)) < SAME ? other.off - one.off : Math.abs(other.off) - Math.abs(one.off),
      )[0]
  );
}
