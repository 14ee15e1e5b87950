import type { Conditions } from './conditions';
import type { Derived } from './cycle-readings';
import type { UnitPlate } from './unit';

/** What practice does by a chart: add, remove, or leave. */
export interface Thumb {
  readonly by: 'superheat' | 'subcooling';
  /** K. */
  readonly target: number;
  readonly read: number;
  readonly says: 'add' | 'remove' | 'leave' | 'too-low-to-charge';
}

const [SUPERHEAT_K, SUBCOOLING_K] = [5 / 1.8, 3 / 1.8];
/** Below this target nobody charges by superheat: common practice. */
const LEAST_TARGET_K = 5 / 1.8;
const USUAL_SUBCOOLING_K = 10 / 1.8;
const fahrenheit = (K: number): number => 1.8 * K - 459.67;

/** (3 WB − 80 − DB)/2 °F, K. Common practice for fixed orifices. */
export const targetSuperheat = ({ outdoorK, indoorWetBulbK }: Conditions): number | undefined =>
  indoorWetBulbK === undefined ? undefined : (3 * fahrenheit(indoorWetBulbK) - 80 - fahrenheit(outdoorK)) / 2 / 1.8;

/** The rule that stands beside the verdict, so that a person sees why they differ. Nothing where its readings are missing. */
export function ruleOfThumb(plate: UnitPlate, conditions: Conditions, { superheat, subcooling }: Partial<Derived>): Thumb | undefined {
  if (plate.metering === 'orifice') {
    const target = targetSuperheat(conditions);
    if (target === undefined || superheat === undefined) return undefined;
    const off = superheat - target;
    const says = target < LEAST_TARGET_K ? 'too-low-to-charge' : off > SUPERHEAT_K ? 'add' : off < -SUPERHEAT_K ? 'remove' : 'leave';
    return { by: 'superheat', target, read: superheat, says };
  }
  if (subcooling === undefined) return undefined;
  const target = plate.plateSubcoolingK ?? USUAL_SUBCOOLING_K;
  const off = subcooling - target;
  return { by: 'subcooling', target, read: subcooling, says: off > SUBCOOLING_K ? 'remove' : off < -SUBCOOLING_K ? 'add' : 'leave' };
}
