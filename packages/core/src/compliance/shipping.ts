import { unNumberInTable } from '../cylinder/fill-rule';
import data from './shipping.json';

export interface UnNumber {
  readonly number: string;
  /** Whether it is the collective entry for gases without one of their own, where the technical name has to stand beside it. */
  readonly collective: boolean;
}

/** The UN number under which a refrigerant is shipped; of what is unknown or mixed, the collective entry. Source: `shipping.json`. */
export function unNumber(refrigerantId: string | undefined, flammable: boolean): UnNumber {
  const own = unNumberInTable(refrigerantId);
  if (own !== undefined) return { number: own, collective: false };
  return { number: flammable ? data.otherwise.flammable : data.otherwise.nonFlammable, collective: true };
}

export const shippingSource: string = data.source;
