import { burnsByList, isFlammableGroup } from './safety-group';

test.each([
  // ANSI/ASHRAE 34, from memory
  ['A1', false],
  ['B1', false],
  ['A2L', true],
  ['B2L', true],
  ['A2', true],
  ['A3', true],
  ['B3', true],
  [null, true],
])('group %p burns: %p', (group, burns) => {
  expect(isFlammableGroup(group)).toBe(burns);
});

test('what is in no list is taken as burning', () => {
  const burns = burnsByList([
    { id: 'R-134a', flammable: false },
    { id: 'R-32', flammable: true },
  ]);
  expect(['R-134a', 'R-32', 'R-0'].map(burns)).toEqual([false, true, true]);
});
