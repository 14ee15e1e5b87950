import { besideTwin, fitNoLonger } from './beside';
import type { Point } from './observed';

const point = (of: Point['of'], t: number, sd: number): Point => ({ of, t, value: 0, sd });

test('the latest reading of a kind stands to the twin in its own unit, all of them in standard deviations', () => {
  const points = [point('grossKg', 0, 0.01), point('grossKg', 10, 0.02), point('headPa', 0, 8000)];
  const beside = besideTwin(points, [3, -4, 0.5]);
  expect(beside.grossKg?.latest).toBeCloseTo(-0.08, 9);
  expect(beside.grossKg?.sigmas).toBeCloseTo(Math.sqrt(12.5), 9);
  expect(beside.headPa).toEqual({ latest: 4000, sigmas: 0.5 });
  expect(beside.suctionPa).toBeUndefined();
});

test('those that fit no longer are named, the worst first', () => {
  const beside = { grossKg: { latest: 1, sigmas: 3 }, suctionPa: { latest: 1, sigmas: 9 }, headPa: { latest: 1, sigmas: 1 } };
  expect(fitNoLonger(beside, 2.5)).toEqual(['suctionPa', 'grossKg']);
  expect(fitNoLonger({}, 2.5)).toEqual([]);
});
