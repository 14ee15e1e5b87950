import fc from 'fast-check';
import { firstSteps, nextFirstStep, stepsDone, type Begun } from './first-steps';

const empty: Begun = { organisation: { version: 1, demo: false }, person: '', cylinders: 0, systems: 0, passed: [] };

test('an empty house begins with the name of the firm, and ends when something is in it', () => {
  expect(nextFirstStep(empty)).toBe('firm');
  expect(nextFirstStep({ ...empty, organisation: { version: 2, demo: false } })).toBe('device');
  expect(nextFirstStep({ ...empty, organisation: { version: 2, demo: false }, person: 'A. Reader' })).toBe('practice');
  const full: Begun = { organisation: { version: 3, demo: false }, person: 'A. Reader', cylinders: 2, systems: 1, passed: ['practice'] };
  expect(nextFirstStep(full)).toBeUndefined();
});

test('what is passed over is not asked for again, and is not called done', () => {
  const passed: Begun = { ...empty, passed: ['firm', 'cylinders'] };
  expect(nextFirstStep(passed)).toBe('device');
  expect([...stepsDone(passed)]).toEqual([]);
});

test('more that is kept never brings a step back', () => {
  const begun = fc.record({
    organisation: fc.record({ version: fc.integer({ min: 1, max: 4 }), demo: fc.constant(false) }),
    person: fc.constantFrom('', ' ', 'A. Reader'),
    cylinders: fc.nat(3),
    systems: fc.nat(3),
    passed: fc.subarray([...firstSteps]),
  });
  const at = (state: Begun) => firstSteps.indexOf(nextFirstStep(state) ?? 'systems') + (nextFirstStep(state) === undefined ? 1 : 0);
  fc.assert(
    fc.property(begun, (state) => {
      const more = { ...state, cylinders: state.cylinders + 1, systems: state.systems + 1, person: 'A. Reader' };
      expect(at(more)).toBeGreaterThanOrEqual(at(state));
    }),
  );
});
