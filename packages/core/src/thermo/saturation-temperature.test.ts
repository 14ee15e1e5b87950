import { OutOfRange } from '../errors';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { bubblePoint, dewPoint } from './saturation';
import { bubblePointAt, dewPointAt } from './saturation-temperature';

test('given the pressure of a state, its temperature comes back, for every refrigerant and both lines', () => {
  let found = 0;
  for (const { composition } of allRefrigerants)
    for (const p of [60_000, 101_325, 700_000].map(pascal))
      for (const [at, back] of [
        [bubblePointAt, bubblePoint],
        [dewPointAt, dewPoint],
      ] as const) {
        try {
          const { T, p: reached } = at(composition, p);
          expect(reached / p).toBeCloseTo(1, 8);
          expect(back(composition, T).p / p).toBeCloseTo(1, 7);
          found++;
        } catch (error) {
          if (!(error instanceof OutOfRange)) throw error; // below the equation's lower limit
        }
      }
  expect(found).toBeGreaterThan(1000);
});

// ANSI/ASHRAE 34 (from memory): R-407C boils from −43.8 to −36.7 °C at one atmosphere.
test('R-407C has a glide of about 7 K at one atmosphere', () => {
  const { composition } = refrigerant('R-407C');
  expect(dewPointAt(composition, pascal(101_325)).T - bubblePointAt(composition, pascal(101_325)).T).toBeCloseTo(7.1, 0);
  expect(bubblePointAt(composition, pascal(101_325)).T).toBeCloseTo(celsius(-43.8), 0);
});

test('a pressure above the end of the boiling line is refused', () => {
  expect(() => bubblePointAt(refrigerant('R-134a').composition, pascal(6e6))).toThrow(OutOfRange);
});
