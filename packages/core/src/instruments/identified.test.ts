import fc from 'fast-check';
import { identified, keptFact, MOST_AIR_PERCENT, sampleOf } from './identified';

test.each([
  ['R-410A', undefined, 'R-410A', 'as-recorded'],
  ['r410a', 0.4, 'R-410A', 'as-recorded'],
  ['R-22', 0, 'R-410A', 'another'],
  ['R-410A', 3, 'R-410A', 'air'],
  // a mixture cannot be undone: that is told first
  ['R-22', 9, 'R-410A', 'another'],
  ['R-410', 0, 'R-410A', 'another'],
] as const)('%s with %s %% air, where the record says %s: %s', (refrigerant, airPercent, recorded, verdict) => {
  expect(identified({ refrigerant, airPercent }, recorded)).toBe(verdict);
});

// AHRI 700 (from memory): non-condensables at most 1.5 % by volume of the vapor.
test('air is borne up to its limit, and more of it never says less', () => {
  expect(MOST_AIR_PERCENT).toBe(1.5);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 100, noNaN: true }), (airPercent) => {
      expect(identified({ refrigerant: 'R-32', airPercent }, 'R-32')).toBe(airPercent > 1.5 ? 'air' : 'as-recorded');
    }),
  );
});

test('a sample keeps its time, whatever the instrument says later, and no air of another one', () => {
  const first = {
    ...keptFact({ fact: 'refrigerant', value: 'R-22', at: 100 }),
    ...keptFact({ fact: 'nonCondensables', value: 3, at: 100 }),
  };
  const later = { ...first, ...keptFact({ fact: 'battery', value: 80, at: 900 }) };
  expect(later).toEqual({ refrigerant: 'R-22', refrigerantAt: 100, nonCondensables: 3, nonCondensablesAt: 100, battery: 80 });
  expect(sampleOf(later)).toEqual({ refrigerant: 'R-22', at: 100, airPercent: 3 });
  expect(sampleOf({ ...later, ...keptFact({ fact: 'refrigerant', value: 'R-32', at: 700 }) })).toEqual({ refrigerant: 'R-32', at: 700 });
  expect(sampleOf({ battery: 80 })).toBeUndefined();
});
