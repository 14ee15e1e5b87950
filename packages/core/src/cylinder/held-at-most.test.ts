import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { cubicMetre, kilogram } from '../units/quantity';
import { fillLimits } from './fill-limit';
import { heldAtMost } from './held-at-most';
import { NoFillLimit } from '../errors';

const volume = cubicMetre(0.0119);

test('R-22: 1406.8 kg/m³ as liquid at −40 °C (ASHRAE Handbook Fundamentals, table of R-22; from memory)', () => {
  expect(heldAtMost(refrigerant('R-22').composition, volume)! / volume).toBeCloseTo(1406.8, -1);
});

test('is above every limit of every refrigerant, so that nothing that may be in a cylinder is refused', () => {
  for (const { id } of allRefrigerants) {
    const { composition } = refrigerant(id);
    const most = heldAtMost(composition, volume);
    if (most === undefined) continue;
    try {
      for (const { net } of fillLimits({ composition, volume, tare: kilogram(8), content: kilogram(0) }).limits)
        expect(net).toBeLessThan(most);
    } catch (error) {
      expect(error).toBeInstanceOf(NoFillLimit);
    }
  }
});
