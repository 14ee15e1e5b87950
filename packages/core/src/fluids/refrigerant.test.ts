import { UnknownRefrigerant } from '../errors';
import { allBlends } from './blend';
import classifications from './classification.json';
import { classificationOf, isFlammable } from './classification';
import { publicationOf } from './publication';
import { allRefrigerants, designationOf, refrigerant } from './refrigerant';
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
  expect(() => refrigerant('R410a')).toThrow(UnknownRefrigerant);
  expect(() => refrigerant('R410a')).toThrow(/R-410A/);
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
