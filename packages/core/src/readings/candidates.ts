import { CoreError } from '../errors';
import { allRefrigerants, type Refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { kelvin, type Kelvin, type Pascal } from '../units/quantity';
import { readingTolerance } from './vessel-at-rest';

/** A refrigerant whose liquid would show about the measured pressure. */
export interface Candidate {
  readonly id: string;
  /** Its own bubble pressure at the measured temperature, Pa absolute. */
  readonly pBubble: Pascal;
  /** Measured less its own, Pa. */
  readonly difference: number;
}

/** Further off than this share of the pressure, nothing need be asked twice. */
const FAR = 0.25;

/**
 * Every refrigerant that liquid at `T` under `p` could be, the nearest first: those whose bubble pressure the gauge and the thermometer
 * cannot tell from the measured one. Pressure alone never proves what it is; an identifier does.
 */
export function candidates(p: Pascal, T: Kelvin): readonly Candidate[] {
  return allRefrigerants
    .flatMap((refrigerant) => candidate(refrigerant, p, T) ?? [])
    .sort((a, b) => Math.abs(a.difference) - Math.abs(b.difference));
}

function candidate({ id, composition }: Refrigerant, p: Pascal, T: Kelvin): Candidate | undefined {
  try {
    const pBubble = bubblePoint(composition, T).p;
    if (Math.abs(pBubble / p - 1) > FAR) return undefined;
    const slope = pBubble - bubblePoint(composition, kelvin(T - 1)).p;
    return Math.abs(p - pBubble) <= readingTolerance(p, slope) ? { id, pBubble, difference: p - pBubble } : undefined;
  } catch (error) {
    if (error instanceof CoreError) return undefined; // it has no liquid at this temperature, or its equation does not reach there
    throw error;
  }
}
