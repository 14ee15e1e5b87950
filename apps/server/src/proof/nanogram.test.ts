import fc from 'fast-check';
import { inKg, nanograms, shareOf } from './nanogram';

test.each([
  ['1', 1_000_000_000n],
  ['0.000000001', 1n],
  ['-2.5', -2_500_000_000n],
  ['1e-9', 1n],
  ['1.5E2', 150_000_000_000n],
  ['0.0000000005', 1n],
  ['-0.0000000005', -1n],
  ['0.00000000049', 0n],
])('%s kg is %s billionths', (text, amount) => {
  expect(nanograms(text)).toBe(amount);
});

test.each(['NaN', 'Infinity', '', '1,5', '--1'])('"%s" is no number, and is said to be none', (text) => {
  expect(() => nanograms(text)).toThrow(/is no number/);
});

test('the parts of a mass differ from the whole by rounding alone', () => {
  const mass = fc.integer({ min: 1, max: 1e12 }).map((nano) => (nano / 1e9).toFixed(9));
  const share = fc.integer({ min: 1, max: 999_999 });
  fc.assert(
    fc.property(mass, share, (kg, millionths) => {
      const [one, other] = [(millionths / 1e6).toFixed(6), ((1e6 - millionths) / 1e6).toFixed(6)];
      const difference = shareOf(kg, one) + shareOf(kg, other) - nanograms(kg);
      expect(difference * difference <= 1n).toBe(true);
    }),
  );
});

test('it is told as a person reads it', () => {
  expect([inKg(1n), inKg(-2_500_000_000n), inKg(0n)]).toEqual(['0.000000001 kg', '−2.500000000 kg', '0.000000000 kg']);
});
