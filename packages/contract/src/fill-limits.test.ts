import { fillLimitsRequest } from './fill-limits';

const good = { refrigerant: 'R-410A', volumeM3: 0.01190863, tareKg: 7.802, contentKg: 3.357, hottestK: 333.15 };
const sentences = (body: object) =>
  fillLimitsRequest.safeParse(body).error?.issues.map(({ path, message }) => [path.join('.'), message]) ?? [];

test('a refrigerant or a composition, not both and not neither', () => {
  expect(sentences(good)).toEqual([]);
  const { refrigerant: _, ...without } = good;
  expect(sentences(without)).toEqual([['refrigerant', expect.stringMatching(/either/)]]);
  expect(sentences({ ...good, composition: { 'R-32': 1 } })).toEqual([['refrigerant', expect.stringMatching(/either/)]]);
});

test.each([
  [{ volumeM3: 0 }, 'volumeM3', /water capacity is 0/],
  [{ contentKg: -1 }, 'contentKg', /negative/],
  [{ contentKg: undefined }, 'contentKg', /missing/],
  [{ hottestK: 40 }, 'hottestK', /Check the unit/],
  [{ colour: 'grey' }, '', /Unrecognized key/],
])('%j is refused with a sentence', (change, field, sentence) => {
  expect(sentences({ ...good, ...change })).toEqual([[field, expect.stringMatching(sentence)]]);
});
