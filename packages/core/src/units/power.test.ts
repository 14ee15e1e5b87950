import { wattsIn } from './power';
import { volumeFlowFrom } from './volume-flow';

test('a ton of refrigeration is 12 000 Btu an hour', () => {
  // NIST SP 811, B.8: 1 ton of refrigeration = 3516.853 W
  expect(wattsIn('ton')).toBeCloseTo(3516.853, 2);
});

test('a cubic foot a minute', () => {
  // NIST SP 811, B.8: 4.719474 E-04 m³/s
  expect(volumeFlowFrom(1, 'cfm')).toBeCloseTo(4.719474e-4, 9);
  expect(() => volumeFlowFrom(-1, 'cfm')).toThrow();
});
