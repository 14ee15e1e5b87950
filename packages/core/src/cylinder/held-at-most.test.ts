import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { cubicMetre, kilogram } from '../units/quantity';
import { fillLimits } from './fill-limit';
import { heldAtMost } from './held-at-most';
import { NoFillLimit } from '../errors';

const volume = cubicMetre(0.0119);
const empty = { volume, tare: kilogram(8), content: kilogram(0), rating: { stamp: 'un', testPressure: 3e7 } } as const;

test('R-22: 1406.8 kg/m³ as liquid at −40 °C (ASHRAE Handbook Fundamentals, table of R-22; from memory)', () => {
  expect(heldAtMost(refrigerant('R-22').composition, volume) / volume).toBeCloseTo(1406.8, -1);
});

test('is above every limit of every refrigerant, so that nothing that may be in a cylinder is refused', () => {
  for (const { id } of allRefrigerants) {
    const { composition } = refrigerant(id);
    const most = heldAtMost(composition, volume);
    try {
      for (const { net } of fillLimits({ ...empty, composition }).limits) expect(net).toBeLessThan(most);
    } catch (error) {
      expect(error).toBeInstanceOf(NoFillLimit);
    }
  }
});

test('R-114 and R-236ea, whose equations start above −40 °C: 100 kg in 11.9 L are still too much', () => {
  for (const id of ['R-114', 'R-236ea']) expect(heldAtMost(refrigerant(id).composition, volume)).toBeLessThan(20.5);
});
