import { machineCutOut } from '../../planning/cut-out';
import { nearCutOut, seemsTripped, slowsDown, steadyNow, steadyOf } from './watching';

const head = (values: readonly number[]) => values.map((share, k) => ({ at: 1000 * k, value: share * machineCutOut }));

test('the cut-out is the one of the machine class, between 525 and 550 psig', () => {
  // common practice, as recorded with the machine classes: gauge pressure plus an atmosphere
  expect(machineCutOut).toBeGreaterThanOrEqual(525 * 6894.757 + 101_325 - 1);
  expect(machineCutOut).toBeLessThanOrEqual(550 * 6894.757 + 101_325);
});

describe('a tripped machine', () => {
  test('was at its cut-out, falls, and nothing flows', () => {
    expect(seemsTripped(head([0.9, 0.97, 0.99, 0.94]), 0, machineCutOut, 1)).toBe(true);
  });
  test.each<[string, readonly number[], number | undefined]>([
    ['still flows', [0.97, 0.99, 0.94], 0.01],
    ['was never near it', [0.7, 0.8, 0.7], 0],
    ['does not fall', [0.97, 0.98, 0.985], 0],
    ['has no rate yet', [0.97, 0.99, 0.94], undefined],
  ])('is not told where it %s', (_, shares, rate) => {
    expect(seemsTripped(head(shares), rate, machineCutOut, 1)).toBe(false);
  });
  test('a head of long ago says nothing', () => {
    const old = [{ at: 0, value: 0.99 * machineCutOut }, ...head([0.6, 0.55]).map((read) => ({ ...read, at: read.at + 120_000 }))];
    expect(seemsTripped(old, 0, machineCutOut, 1)).toBe(false);
  });
});

test('a head is told as near before it trips', () => {
  expect(nearCutOut(0.91 * machineCutOut, machineCutOut)).toBe(true);
  expect(nearCutOut(0.89 * machineCutOut, machineCutOut)).toBe(false);
});

test('a transfer slows down when the later half brings clearly less', () => {
  expect(slowsDown(1, 0.8)).toBe(true);
  expect(slowsDown(1, 0.9)).toBe(false);
});

test('a kick of the scale is no weight', () => {
  expect(steadyOf([10, 10.01, 10.02, 14, 10.03])).toBe(10.02);
  expect(steadyOf([])).toBeUndefined();
});

test('a weight that rises is told as it is now, and a kick moves it by nothing', () => {
  const rising = Array.from({ length: 9 }, (_, k) => ({ at: 500 * k, value: 12 + 0.05 * 0.5 * k }));
  expect(steadyNow(rising, 0.05)).toBeCloseTo(12.2, 9);
  // without its rate the middle of seven readings is a second and a half old
  expect(steadyNow(rising, 0)).toBeCloseTo(12.2 - 3 * 0.025, 9);
  const kicked = rising.map((reading, k) => (k === 8 ? { ...reading, value: reading.value + 1.5 } : reading));
  expect(steadyNow(kicked, 0.05)).toBeCloseTo(12.2, 9);
  expect(steadyNow([], 0.05)).toBeUndefined();
});
