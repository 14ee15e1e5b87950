import fc from 'fast-check';
import { PASCAL_PER_PSI } from './trace';
import { nitrogenSupply } from './nitrogen-supply';

const psig = (value: number) => value * PASCAL_PER_PSI;
const task = { volumeM3: 0.01, setGaugePa: psig(300), T: 294.3, atmosphere: 101_325 };

// common practice: ten liters to 300 psig are 10 L × 20.4, about seven cubic feet of free gas, 1.16 kg/m³
test('ten liters to 300 psig take seven cubic feet', () => {
  const { neededKg, givesKg } = nitrogenSupply(task);
  expect(neededKg / 1.16 / 0.0283168).toBeCloseTo(7.2, 0);
  expect(givesKg).toBeUndefined();
});

test('a full cylinder of 40 cubic feet gives them several times, one at the test pressure gives nothing', () => {
  const full = nitrogenSupply({ ...task, cylinder: { cubicFeet: 40, gaugePa: psig(2200) } });
  expect(full.givesKg! / full.neededKg).toBeGreaterThan(4);
  expect(nitrogenSupply({ ...task, cylinder: { cubicFeet: 250, gaugePa: psig(300) } }).givesKg).toBe(0);
});

test('a higher test pressure takes more, and leaves the cylinder less to give', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 50, max: 500 }),
      fc.integer({ min: 1, max: 200 }),
      fc.integer({ min: 100, max: 2200 }),
      (set, more, on) => {
        const at = (pressure: number) =>
          nitrogenSupply({ ...task, setGaugePa: psig(pressure), cylinder: { cubicFeet: 80, gaugePa: psig(on) } });
        expect(at(set + more).neededKg).toBeGreaterThan(at(set).neededKg);
        expect(at(set + more).givesKg!).toBeLessThanOrEqual(at(set).givesKg!);
      },
    ),
  );
});
