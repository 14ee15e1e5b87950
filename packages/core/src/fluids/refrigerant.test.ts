import { UnknownRefrigerant } from '../errors';
import { allBlends } from './blend';
import classifications from './classification.json';
import { classificationOf, isFlammable } from './classification';
import { publicationOf } from './publication';
import { allRefrigerants, designationOf, refrigerant, compositionFrom } from './refrigerant';
import { allSubstances } from './substance';

test('57 substances and 139 blends are known', () => {
  expect([allSubstances.length, allBlends.length]).toEqual([57, 139]);
  expect(new Set(allRefrigerants.map(({ id }) => id)).size).toBe(57 + 139);
});

test('every composition sums to 1 and names known substances', () => {
  const known = new Set(allSubstances.map(({ id }) => id));
  for (const { id, composition } of allRefrigerants) {
    expect([id, Object.values(composition).reduce((a, b) => a + b, 0)]).toEqual([id, expect.closeTo(1, 9)]);
    expect(Object.keys(composition).filter((part) => !known.has(part))).toEqual([]);
  }
});

test('every equation of state names its publication', () => {
  for (const { id } of allSubstances) expect(publicationOf(id)?.title.length).toBeGreaterThan(10);
});

test('everything on the list is classified, if only as not classified', () => {
  const unknown = allRefrigerants.filter(({ id }) => !(id in classifications));
  expect(unknown).toEqual([]);
  expect(classificationOf('R-410A')).toMatchObject({ safetyGroup: 'A1' });
  expect(classificationOf('R-9999').safetyGroup).toBeNull();
});

test('a slip of the pen gets the nearest names', () => {
  expect(() => refrigerant('R-4I0A')).toThrow(UnknownRefrigerant);
  expect(() => refrigerant('R-4I0A')).toThrow(/R-410A/);
});

test.each([
  ['R22', 'R-22'],
  ['r-410a', 'R-410A'],
  ['R 1234ze(e)', 'R-1234ze(E)'],
  ['RC318', 'R-C318'],
  ['propane', 'R-290'],
  ['Carbon Dioxide', 'R-744'],
])('%s is a usual spelling of %s', (typed, id) => {
  expect(refrigerant(typed).id).toBe(id);
});

test('no two designations differ in nothing but their punctuation', () => {
  const plain = allRefrigerants.map(({ id }) => id.toUpperCase().replace(/[^A-Z0-9]/g, ''));
  expect(new Set(plain).size).toBe(plain.length);
});

test('a blend inside a composition is taken apart, and its parts add up', () => {
  expect(compositionFrom({ 'R-410A': 0.5, R32: 0.5 })).toEqual({ 'R-32': 0.75, 'R-125': 0.25 });
  expect(() => compositionFrom({ 'R-410B7': 1 })).toThrow(UnknownRefrigerant);
});

test('traces make no other refrigerant, and of two that are near the nearer is meant', () => {
  expect(designationOf({ 'R-744': 1 - 1e-5, 'R-134a': 1e-5 })).toBe('R-744');
  expect(designationOf({ 'R-32': 0.498, 'R-125': 0.498, 'R-22': 0.004 })).toBe('R-410A');
});

// ANSI/ASHRAE 34 safety groups, from memory.
test.each([
  ['R-410A', false],
  ['R-32', true],
  ['R-290', true],
  ['R-454B', true],
  ['R-513A', false],
  ['R-1123', true], // burns, and has no safety group here
])('%s is flammable: %s', (id, flammable) => {
  expect(isFlammable(classificationOf(id))).toBe(flammable);
});

test('a composition is recognised by its designation, in any order', () => {
  expect(designationOf({ 'R-125': 0.5, 'R-32': 0.5 })).toBe('R-410A');
  expect(designationOf({ 'R-125': 0.48, 'R-32': 0.52 })).toBeUndefined();
});
