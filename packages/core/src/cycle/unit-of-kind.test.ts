import { systemKinds } from '../circuit/system-kind';
import { unitKinds } from './unit';
import { unitKindOf, usualCapacityW } from './unit-of-kind';
import data from './unit-kinds.json';

test('the table names kinds of systems and models that there are', () => {
  for (const [kind, unit] of Object.entries(data.kinds)) {
    expect(systemKinds).toContain(kind);
    expect(unitKinds).toContain(unit);
  }
});

test('what is sealed, cooled by water or driven is not modelled, and says so', () => {
  expect(systemKinds.filter((kind) => unitKindOf(kind) === undefined).sort()).toEqual(['appliance', 'geothermal', 'vehicle']);
});

// Common practice: about 7 lb for 3 tons.
test('3.2 kg cool about three tons', () => {
  expect(usualCapacityW(3.2) / 3517).toBeCloseTo(3, 1);
});
