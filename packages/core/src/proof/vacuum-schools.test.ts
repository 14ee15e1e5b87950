import { targetOf, vacuumSchools } from './vacuum-schools';
import { frostPoint, PASCAL_PER_MICRON } from './water';

test('every school has its depth, the deep one half of the usual one', () => {
  expect(vacuumSchools.map(targetOf)).toEqual([500, 250, 300]);
});

// Wagner and Pruss 2002, and Wagner et al. 2011 for ice, from memory: frost points of -24.5 and -31.3 °C
test('at the usual depth no free water is left where walls are warmer than its frost point', () => {
  const frost = (micron: number) => frostPoint(micron * PASCAL_PER_MICRON) - 273.15;
  expect(frost(targetOf('usual'))).toBeCloseTo(-24.5, 0);
  expect(frost(targetOf('deep'))).toBeCloseTo(-31.3, 0);
});
