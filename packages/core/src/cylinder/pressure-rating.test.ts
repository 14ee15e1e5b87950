import { refrigerant } from '../fluids/refrigerant';
import { pressureDifferenceIn } from '../units/pressure';
import { pressureRating } from './pressure-rating';

const psi = (value: number) => value / pressureDifferenceIn(1, 'psig');

// 49 CFR 173.301(a)(8) (from memory): R-410A needs the 400 psi class, R-22 and R-134a are at home in 260 psi.
test.each([
  ['R-410A', 260, false],
  ['R-410A', 400, true],
  ['R-22', 260, true],
  ['R-134a', 260, true],
  ['R-32', 260, false],
  ['R-744', 400, false],
])('%s in a %d psi cylinder: %s', (id, service, suits) => {
  expect(pressureRating(refrigerant(id).composition, psi(service)).suits).toBe(suits);
});
