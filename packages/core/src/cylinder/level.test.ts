import { refrigerant } from '../fluids/refrigerant';
import { pressureIn, STANDARD_ATMOSPHERE } from '../units/pressure';
import { kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { volumeFrom } from '../units/volume';
import { levelAt } from './level';

const { composition } = refrigerant('R-410A');
const volume = volumeFrom(26.2, 'lb-water');

// Common practice: R-410A at 77 °F stands at about 226 psig in any cylinder with liquid in it.
test('R-410A at 77 °F stands at 226 psig, however much is in it', () => {
  for (const m of [2, 5, 9]) {
    const level = levelAt(composition, volume, kilogram(m), celsius(25));
    expect(level.state === 'two-phase' && pressureIn(level.p, 'psig', STANDARD_ATMOSPHERE)).toBeCloseTo(226, -1);
  }
});

test('the level rises as it warms, until the cylinder is full of liquid', () => {
  const levels = [0, 25, 50].map((tC) => levelAt(composition, volume, kilogram(9.8), celsius(tC)).liquidShare);
  expect(levels).toEqual([...levels].sort());
  expect(levelAt(composition, volume, kilogram(9.8), celsius(62)).state).toBe('liquid-full');
});

test('of an empty cylinder no pressure is claimed', () => {
  expect(levelAt(composition, volume, kilogram(0), celsius(25))).toEqual({ state: 'empty', liquidShare: 0 });
});
