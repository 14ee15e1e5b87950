import { isBelowTare, SAME_WEIGHT_KG, SEEN_KG, TARE_DIFFERS_KG, TWO_SCALES_KG } from './scale-tolerance';
import { readingDoubt } from './reading-doubt';

test.each([
  [12, 12, false],
  [11.96, 12, false],
  [11.94, 12, true],
  [0, 12, true],
])('a reading of %d kg on a tare of %d kg: below it %p', (gross, tare, below) => {
  expect(isBelowTare(gross, tare)).toBe(below);
});

test('what the weigh-in doubts as below the tare is below it for a booking too', () => {
  for (let gross = 10; gross < 12.5; gross += 0.01)
    if (readingDoubt(gross, { tareKg: 12, grossKg: 12.4 }) === 'below-tare') expect(isBelowTare(gross, 12)).toBe(true);
});

test('what nobody names is less than what two scales, two tares or scale and ledger may differ by', () => {
  expect(SEEN_KG).toBeLessThan(SAME_WEIGHT_KG);
  expect(SAME_WEIGHT_KG).toBeLessThan(TWO_SCALES_KG);
  expect(SAME_WEIGHT_KG).toBeLessThan(TARE_DIFFERS_KG);
});
