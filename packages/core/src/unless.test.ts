import { CoreError, NoConvergence, NotANumber } from './errors';
import { unless } from './unless';

const failing = (error: Error) => () => {
  throw error;
};

test('an answer is passed on; an error of the kind is no answer; every other one goes on', () => {
  expect(unless(NoConvergence, () => 3)).toBe(3);
  expect(unless(NoConvergence, failing(new NoConvergence('not found')))).toBeUndefined();
  expect(unless(CoreError, failing(new NotANumber('mass')))).toBeUndefined();
  expect(() => unless(NoConvergence, failing(new NotANumber('mass')))).toThrow(NotANumber);
  expect(() => unless(CoreError, failing(new TypeError('a fault of ours')))).toThrow(TypeError);
});
