import { isFull } from './full';

test.each([
  [0, 10, false],
  [7.9, 10, false],
  [8, 10, true],
  [11, 10, true],
  [0, 0, false],
])('%d kg of %d kg: full %s', (content, stop, full) => expect(isFull(content, stop)).toBe(full));
