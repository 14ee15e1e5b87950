import { newCylinder } from './cylinder';

const good = {
  key: 'b3f8e1b6-98c8-4f5e-9d1c-0d6f6a9b1c11',
  name: 'C-21',
  volumeM3: 0.0119,
  tareKg: 7.8,
  servicePressurePa: 2.76e6,
  requalified: '2024-05',
  place: 'van',
};
const sentences = (body: object) => {
  const { error } = newCylinder.safeParse(body);
  return error?.issues.map(({ path, message }) => [path.join('.'), message]) ?? [];
};

test('an empty, evacuated cylinder needs no refrigerant', () => {
  expect(sentences(good)).toEqual([]);
});

test.each([
  [{ volumeM3: 0 }, 'volumeM3', /water capacity is 0/],
  [{ tareKg: 0 }, 'tareKg', /TW/],
  [{ tareKg: undefined }, 'tareKg', /tare is missing/],
  [{ tareKg: 'seven' }, 'tareKg', /not a number/],
  [{ grossKg: 7.1, refrigerant: 'R-32' }, 'grossKg', /below the tare/],
  [{ grossKg: 9.1 }, 'refrigerant', /which refrigerant/],
  [{ requalified: '13-2024' }, 'requalified', /2021-11/],
  [{ name: '  ' }, 'name', /number of the cylinder/],
])('%j is refused at its field with a sentence', (change, field, sentence) => {
  expect(sentences({ ...good, ...change })).toEqual([[field, expect.stringMatching(sentence)]]);
});
