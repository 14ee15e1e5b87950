import { OutOfRange } from '../errors';
import { litre, volumeFrom, volumeIn } from './volume';

// 49 CFR 173.304a(a)(2) note (from memory): a pound of water at 60 °F takes 27.737 in³.
test('26.2 lb of water capacity is 11.91 L', () => {
  expect(volumeIn(volumeFrom(26.2, 'lb-water'), 'L')).toBeCloseTo(11.9086, 4);
});

test('a capacity comes back as it was stamped', () => {
  expect(volumeIn(volumeFrom(47.7, 'lb-water'), 'lb-water')).toBeCloseTo(47.7, 12);
});

test('a water capacity of 0 is refused', () => {
  expect(() => litre(0)).toThrow(OutOfRange);
});
