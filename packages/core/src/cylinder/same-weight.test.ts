import { sameWeight } from './same-weight';

test.each([
  [0.05, 0, true],
  [-0.05, 0, true],
  [0.06, 0, false],
  [-0.2, 0.25, true],
  [0.3, 0.25, false],
  [0.04, 0.01, true],
])('%d kg on a scale that is good to %d kg: the same %s', (differs, off, same) => expect(sameWeight(differs, off)).toBe(same));
