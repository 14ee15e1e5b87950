import pureRows from '../../checks/saturation-pure.json';
import { findSubstance } from '../fluids/substance';
import { refrigerant } from '../fluids/refrigerant';
import { kelvin, pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { caloric } from './caloric';
import { bubblePoint, phasesOf } from './saturation';
import { singlePhase } from './single-phase';

// CoolProp 8.0.0 (MIT) from the same coefficients.
test.each(pureRows.filter(({ id, T }) => T >= findSubstance(id)!.minT))(
  'heat capacities of saturated $id at $T K',
  ({ id, T, cpLiquid, cpVapour }) => {
    const { liquid, vapour } = phasesOf(bubblePoint({ [id]: 1 }, kelvin(T)));
    // near the critical point c_p goes to infinity and the last digits of the density show
    expect(caloric(liquid).cp / cpLiquid).toBeCloseTo(1, 4);
    expect(caloric(vapour).cp / cpVapour).toBeCloseTo(1, 4);
  },
);

const { composition } = refrigerant('R-407C');
const at = (tC: number, p: number) => caloric(singlePhase(composition, celsius(tC), pascal(p), 'liquid'));

test('c_p is the slope of enthalpy at constant pressure', () => {
  const slope = (at(20.01, 3e6).enthalpy - at(19.99, 3e6).enthalpy) / 0.02;
  expect(at(20, 3e6).cp / slope).toBeCloseTo(1, 6);
});

test('T ds = dh at constant pressure', () => {
  const slope = (at(20.01, 3e6).entropy - at(19.99, 3e6).entropy) / 0.02;
  expect((slope * celsius(20)) / at(20, 3e6).cp).toBeCloseTo(1, 6);
});

// ideal gas: w² = κ R T/M, R-134a at 100 Pa and 25 °C
test('in a thin gas sound travels as in an ideal one', () => {
  const { cp, cv, speedOfSound } = caloric(singlePhase({ 'R-134a': 1 }, celsius(25), pascal(100), 'vapour'));
  const { gasConstant, molarMass } = findSubstance('R-134a')!;
  expect(speedOfSound ** 2 / (((cp / cv) * gasConstant * celsius(25)) / molarMass)).toBeCloseTo(1, 4);
});
