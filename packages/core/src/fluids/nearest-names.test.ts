import { nearestNames } from './nearest-names';

const names = ['R-22', 'R-23', 'R-32', 'R-134a', 'R-407A', 'R-407C', 'R-410A', 'R-1234yf', 'R-1234ze(E)'];

test.each([
  ['R410A', 'R-410A'],
  ['r 410 a', 'R-410A'],
  ['410A', 'R-410A'],
  ['R-401A', 'R-407A'],
  ['R-1234fy', 'R-1234yf'],
  ['R134', 'R-134a'],
])('%s is taken for %s', (typed, meant) => {
  expect(nearestNames(typed, names)).toContain(meant);
});

test('the nearest comes first, and never more than three', () => {
  expect(nearestNames('R-22', names)[0]).toBe('R-22');
  expect(nearestNames('R-2', names).length).toBeLessThanOrEqual(3);
});

test('what is like nothing gets no proposal', () => {
  expect(nearestNames('nitrogen', names)).toEqual([]);
  expect(nearestNames('', names)).toEqual([]);
});

test('names that are equally near stand in the order of the alphabet', () => {
  expect(nearestNames('R-407', names).slice(0, 2)).toEqual(['R-407A', 'R-407C']);
});
