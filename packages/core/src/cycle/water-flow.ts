import type { Band } from './expected-today';
import data from './cycle-parameters.json';
import type { Unit } from './unit';

/**
 * m³/s of water through the barrel of a chiller: what it cools today over the range that was measured. Specific heat of water at about 10 °C
 * (4.19 MJ/(m³ K), published tables). Nothing of a unit that cools air, and nothing while the water comes out no colder.
 * @param expected K of range that a good unit of this plate has today at its rated flow
 * @param rangeK measured
 */
export function waterFlow({ wetSide, indoor }: Unit, expected: Band, rangeK: number | undefined): Band | undefined {
  if (wetSide !== 'water' || rangeK === undefined || rangeK <= 0) return undefined;
  const at = (split: number) => (indoor.flow * Math.max(0, split)) / (data.water.heatPerM3 * rangeK);
  return { low: at(expected.low), likely: at(expected.likely), high: at(expected.high) };
}
