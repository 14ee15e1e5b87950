import { NoFillLimit, type MissingMark } from '../errors';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { pascal, type Pascal } from '../units/quantity';
import data from './pressure-rating.json';

/** Whose rules a cylinder was built and stamped by: a US specification, or UN (also the pi mark of Europe). */
export const stamps = ['us', 'un'] as const;
export type Stamp = (typeof stamps)[number];

/** What the collar says of pressure. What it does not say is absent; nothing is taken for granted in its place. */
export interface CylinderRating {
  readonly stamp?: Stamp | undefined;
  /** Pa above the atmosphere. */
  readonly servicePressure?: number | undefined;
  /** Pa above the atmosphere. */
  readonly testPressure?: number | undefined;
}

/**
 * The pressure, Pa absolute, that must not be passed in the heat: 5/4 of the service pressure, or the test pressure under a UN stamp.
 * The atmosphere is not counted in favour of a test pressure, as in the table of P200 itself.
 * @throws NoFillLimit with the mark that is missing
 */
export function hotPressureAllowed({ stamp, servicePressure, testPressure }: CylinderRating, content: string): Pascal {
  if (stamp === undefined) throw new NoFillLimit(content, 'stamp');
  if (stamp === 'un') return testPressureOf({ testPressure }, content);
  return pascal(STANDARD_ATMOSPHERE + data.factor * known(servicePressure, 'servicePressurePa', content));
}

/** @throws NoFillLimit where the collar's test pressure is not known */
export const testPressureOf = ({ testPressure }: CylinderRating, content: string): Pascal =>
  pascal(known(testPressure, 'testPressurePa', content));

function known(value: number | undefined, missing: MissingMark, content: string): number {
  if (value === undefined) throw new NoFillLimit(content, missing);
  return value;
}
