import { bubblePoint } from '../thermo/saturation';
import { refrigerant } from '../fluids/refrigerant';
import { celsius } from '../units/temperature';
import { drawnAsVapour } from './drawn-as-vapour';

const T = celsius(25);
const VOLUME = 0.0119;
/** 80 % full of liquid, and a quarter of it drawn. */
const drawn = (id: string, share = 0.25) => {
  const { composition } = refrigerant(id);
  const contentKg = 0.8 * VOLUME * bubblePoint(composition, T).rhoLiquid;
  return drawnAsVapour({ composition, volumeM3: VOLUME, contentKg, T, kg: share * contentKg });
};

// Worked by a prototype from another reference library: slow, 25 °C, from 80 % full, mass per cent off nominal of the first quarter drawn.
test.each([
  ['R-407C', 'R-134a', -13.8],
  ['R-448A', 'R-32', 8.9],
  ['R-454B', 'R-32', 7.4],
] as const)('%s drawn as vapor is off by its %s', (id, substance, percent) => {
  const error = drawn(id)!;
  expect(error.substance).toBe(substance);
  expect(Math.abs(100 * error.off - percent)).toBeLessThan(1);
});

test('R-410A and R-404A are off by about two per cent, and still out of their tolerance', () => {
  expect(Math.abs(100 * drawn('R-410A')!.off)).toBeCloseTo(2.1, 0);
  expect(Math.abs(100 * drawn('R-404A')!.off)).toBeCloseTo(1.5, 0);
});

test('the less is drawn, the more it is off; a single substance never is', () => {
  expect(Math.abs(drawn('R-407C', 0.05)!.off)).toBeGreaterThan(Math.abs(drawn('R-407C', 0.4)!.off));
  expect(drawn('R-134a')).toBeUndefined();
  expect(drawn('R-407C', 1)).toBeUndefined();
});
