import { OutOfRange } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { density, kelvin } from '../units/quantity';
import { celsius } from '../units/temperature';
import { endOfLine } from './end-of-line';
import { compressedLiquidPressure, liquidFull } from './liquid-full';
import { bubblePoint } from './saturation';

const liquidAt = (id: string, tC: number) => bubblePoint(refrigerant(id).composition, celsius(tC)).rhoLiquid;

test('the liquid has exactly the density of the filling where it is full', () => {
  const { composition } = refrigerant('R-407C');
  const rho = density(0.85 * liquidAt('R-407C', 25));
  expect(bubblePoint(composition, liquidFull(composition, rho).T).rhoLiquid / rho).toBeCloseTo(1, 9);
});

test('R-410A filled to 80 % at 77 °F is liquid-full near 57 °C, between 131 °F and 140 °F', () => {
  const { composition } = refrigerant('R-410A');
  const { T } = liquidFull(composition, density(0.8 * liquidAt('R-410A', 25)));
  expect(T).toBeGreaterThan(celsius(55));
  expect(T).toBeLessThan(celsius(60));
});

test('above it the pressure rises several bar per kelvin', () => {
  const { composition } = refrigerant('R-134a');
  const rho = density(liquidAt('R-134a', 40));
  const { T, p, slope } = liquidFull(composition, rho);
  const tenAbove = compressedLiquidPressure(composition, rho, kelvin(T + 10));
  expect((tenAbove - p) / 10 / slope).toBeCloseTo(1, 1);
  expect(slope / 1e5).toBeGreaterThan(4);
});

// the liquid of these exists up to its critical point: near it the last hundredth of the line is walked as well
test.each([
  ['R-13', 0.994],
  ['R-21', 0.994],
  ['R-114', 0.994],
  ['R-134a', 0.997],
  ['R-410A', 0.995],
])('%s is found liquid-full at %d of its critical temperature', (id, share) => {
  const { composition } = refrigerant(id);
  const T = kelvin(share * endOfLine(composition).T);
  expect(liquidFull(composition, density(bubblePoint(composition, T).rhoLiquid)).T).toBeCloseTo(T, 4);
});

test('a pressure beyond the published equation is refused', () => {
  const { composition } = refrigerant('R-22');
  const rho = density(liquidAt('R-22', 25));
  expect(() => compressedLiquidPressure(composition, rho, kelvin(1500))).toThrow(OutOfRange);
});

test('a density that no liquid has is refused', () => {
  expect(() => liquidFull(refrigerant('R-410A').composition, density(3000))).toThrow(OutOfRange);
});
