import vessels from '../../checks/vessels.json';
import { refrigerant } from '../fluids/refrigerant';
import { cubicMetre, density, kelvin, kilogram } from '../units/quantity';
import { closedVolume } from './closed-volume';
import { compressedLiquidPressure } from './liquid-full';
import { airIn, pressureWithGas } from './non-condensable';

const { compressedLiquid, vesselsWithAir } = vessels;

// Source and meaning stand in the table itself: an independent library with the same published equations.
test.each(compressedLiquid.rows)('a vessel full of $refrigerant, $density kg/m³ at $T K', ({ refrigerant: id, density: rho, T, p }) => {
  const { composition } = refrigerant(id);
  expect(compressedLiquidPressure(composition, density(rho), kelvin(T)) / p).toBeCloseTo(1, 7);
  expect(closedVolume(composition, cubicMetre(1), kilogram(rho), kelvin(T)).p / p).toBeCloseTo(1, 7);
});

// The table's liquid does not yield to the air: the true pressure is up to a few per cent lower, never higher but for what a pressed liquid evaporates more.
test.each(vesselsWithAir.rows)(
  '$massKg kg of $refrigerant with $airShareAt25C air at $T K',
  ({ refrigerant: id, massKg, airShareAt25C, T, p }) => {
    const { composition } = refrigerant(id);
    const V = cubicMetre(vesselsWithAir.volumeM3);
    const air = airIn(composition, V, kilogram(massKg), airShareAt25C);
    const ours = pressureWithGas(composition, V, kilogram(massKg), kelvin(T), air);
    expect(ours / p).toBeGreaterThan(0.98);
    expect(ours / p).toBeLessThan(1.005);
  },
);
