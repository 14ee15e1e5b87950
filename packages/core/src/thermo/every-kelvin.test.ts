import { residualOfSaturation } from '../../test/equilibrium-residual';
import { NoTwoPhaseState } from '../errors';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { findSubstance } from '../fluids/substance';
import { kelvin } from '../units/quantity';
import { celsius } from '../units/temperature';
import { bubblePoint, dewPoint } from './saturation';

jest.setTimeout(300_000);

const minimum = (composition: Readonly<Record<string, number>>) =>
  Object.keys(composition).length === 1
    ? findSubstance(Object.keys(composition)[0]!)!.minT
    : Math.max(
        0,
        ...Object.keys(composition).map((id) => (findSubstance(id)!.minT > findSubstance(id)!.tripleT ? findSubstance(id)!.minT : 0)),
      );

const endOf = (line: typeof bubblePoint, composition: Readonly<Record<string, number>>): number => {
  try {
    return line(composition, kelvin(1000)).T;
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return error.highestT;
    throw error;
  }
};

/** Change of the slope d ln p / d ln T from one kelvin to the next, as a share of it: a line that jumps to another root shows here. */
const MOST_BENT = 0.1;

test('every refrigerant has both points at every kelvin from −60 °C to 0.99 of the end of its line, in equilibrium to 1e-10, on a smooth line', () => {
  let [states, worst] = [0, 0];
  const bent: string[] = [];
  for (const { id, composition } of allRefrigerants)
    for (const line of [bubblePoint, dewPoint]) {
      const highest = 0.99 * endOf(line, composition);
      let [lnP, slope] = [Number.NaN, Number.NaN];
      for (let T = Math.max(celsius(-60), Math.ceil(minimum(composition))); T < highest; T++) {
        const point = line(composition, kelvin(T));
        worst = Math.max(worst, residualOfSaturation(point));
        const next = Math.log(point.p) - lnP;
        if (Math.abs(next - slope) > MOST_BENT * slope || next <= 0) bent.push(`${id} at ${T} K`);
        [lnP, slope] = [Math.log(point.p), next];
        states++;
      }
    }
  expect(states).toBeGreaterThan(45_000);
  expect(worst).toBeLessThan(1e-10);
  expect(bent).toEqual([]);
});

/** Each is where the search once fell onto one phase found twice, at the limit of its stability. */
test.each([
  ['R-433B', 362.236],
  ['R-407F', 345.56],
  ['R-444B', 357.474],
])('near the end of its line %s has a liquid and a vapour at %d K', (id, T) => {
  for (const line of [bubblePoint, dewPoint]) {
    const [below, here, above] = [-1, 0, 1].map((step) => line(refrigerant(id).composition, kelvin(T + step)));
    expect(here!.rhoLiquid / here!.rhoVapour).toBeGreaterThan(2);
    expect((here!.p * here!.p) / (below!.p * above!.p)).toBeCloseTo(1, 3);
  }
});
