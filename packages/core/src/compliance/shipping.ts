import { CoreError } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { celsius } from '../units/temperature';
import { unless } from '../unless';
import data from './shipping.json';

export interface UnNumber {
  /** Absent where it is no gas of class 2 and has no entry here: the shipper classifies it. */
  readonly number: string | undefined;
  /** Proper shipping name. */
  readonly name: string;
  /** Class or division, "2.2". */
  readonly class: string;
  /** Whether it is a collective entry, where the technical name has to stand beside it. */
  readonly collective: boolean;
}

interface Entry {
  readonly number: string;
  readonly name: string;
  readonly class: string;
}
const entries: Readonly<Record<string, Entry>> = data.entries;

/** Under what a refrigerant is shipped; what is unknown or mixed goes under the collective entry. Source: `shipping.json`. */
export function unNumber(refrigerantId: string | undefined, flammable: boolean): UnNumber {
  const entry = refrigerantId !== undefined && Object.hasOwn(entries, refrigerantId) ? entries[refrigerantId] : undefined;
  if (entry !== undefined) return { ...entry, collective: false };
  if (refrigerantId !== undefined && isLiquid(refrigerantId))
    return { number: undefined, name: data.notClass2.why, class: '', collective: true };
  const { flammable: burns, nonFlammable } = data.collective;
  // of what nobody knows the graver is taken
  return { ...(flammable || refrigerantId === undefined ? burns : nonFlammable), collective: true };
}

/** No gas of class 2: at 50 °C no more than 300 kPa, and not all vapour at 20 °C and 101.3 kPa. Source: ADR 2.2.2.1.1, from memory. */
function isLiquid(refrigerantId: string): boolean {
  const { composition } = refrigerant(refrigerantId);
  const cold = () => {
    const warm = bubblePoint(composition, celsius(50)).p;
    return warm <= data.notClass2.T50Pressure && dewPoint(composition, celsius(20)).p < STANDARD_ATMOSPHERE;
  };
  return unless(CoreError, cold) ?? false; // no liquid at that temperature at all
}

export const shippingSource: string = data.source;
