import { ranShareOf } from './ran-share';
import type { Visit } from './visit';

type Run = Visit['runs'][number];
const run = (chargeShare: number | null, settled = true) => ({ chargeShare, settled }) as unknown as Run;
const none = { bookings: 0, massKg: 0 };

test.each([
  ['nothing was checked', [], none, undefined],
  ['it had not settled', [run(0.8, false)], none, undefined],
  ['nothing was told of the charge', [run(null)], none, undefined],
  ['the last that says something counts', [run(0.8), run(0.9), run(null)], none, 0.9],
  ['something was recovered since', [run(0.8)], { bookings: 1, massKg: 2 }, undefined],
] as const)('%s', (_, runs, recovered, share) => {
  expect(ranShareOf({ runs: [...runs], recovered })).toBe(share);
});
