import fc from 'fast-check';
import { liquidHeight } from './liquid-height';

const shape = { bottom: 0.05, top: 0.12 };

test('empty is at the bottom, full at the top', () => {
  expect(liquidHeight(0, shape)).toBeCloseTo(0, 9);
  expect(liquidHeight(1, shape)).toBeCloseTo(1, 9);
});

test('with equal ends half the volume stands at half the height', () => {
  expect(liquidHeight(0.5, { bottom: 0.2, top: 0.2 })).toBeCloseTo(0.5, 9);
});

// volume of a semi-ellipsoid: two thirds of the cylinder around it (Archimedes)
test('a bottom that is all there is holds two thirds of its cylinder', () => {
  expect(liquidHeight(0.5, { bottom: 0.5, top: 0.5 })).toBeCloseTo(0.5, 9);
  const below = (2 / 3) * 0.1;
  const whole = below + 0.8 + below;
  expect(liquidHeight(below / whole, { bottom: 0.1, top: 0.1 })).toBeCloseTo(0.1, 9);
});

test('more liquid stands higher', () => {
  const anyShare = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(anyShare, anyShare, (a, b) => a === b || liquidHeight(Math.min(a, b), shape) <= liquidHeight(Math.max(a, b), shape)),
  );
});
