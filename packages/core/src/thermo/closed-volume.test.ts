import fc from 'fast-check';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { findSubstance } from '../fluids/substance';
import { heldAtMost } from '../cylinder/held-at-most';
import { OutOfRange } from '../errors';
import { cubicMetre, kelvin, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { closedVolume } from './closed-volume';
import { bubblePoint } from './saturation';

const V = cubicMetre(0.0119);
/** Those whose equations reach down to −20 °C. */
const known = allRefrigerants.filter(({ composition }) => Object.keys(composition).every((id) => findSubstance(id)!.minT < 253));

test('liquid and vapour together weigh what was filled in, and each substance with them', () => {
  const filling = fc.record({
    what: fc.constantFrom(...known),
    m: fc.double({ min: 0.02, max: 12, noNaN: true }),
    tC: fc.integer({ min: -20, max: 60 }),
  });
  fc.assert(
    fc.property(filling, ({ what, m, tC }) => {
      fc.pre(m < 0.95 * heldAtMost(what.composition, V)); // denser is no state of it
      const vessel = closedVolume(what.composition, V, kilogram(m), celsius(tC));
      if (vessel.state !== 'two-phase') return;
      const liquid = vessel.liquidVolumeFraction * V * vessel.rhoLiquid;
      const vapour = (1 - vessel.liquidVolumeFraction) * V * vessel.rhoVapour;
      expect((liquid + vapour) / m).toBeCloseTo(1, 9);
      for (const [id, share] of Object.entries(what.composition))
        expect((liquid * vessel.liquid[id]! + vapour * vessel.vapour[id]!) / m).toBeCloseTo(share, 9);
    }),
    { numRuns: 200, seed: 20_261_125 },
  );
});

test.each([
  ['30 kg of R-22 in 10 L', 'R-22', 0.01, 30, 298],
  ['1 t of R-22 in 10 L', 'R-22', 0.01, 1e5, 298],
  ['20 kg of R-22 in 10 L', 'R-22', 0.01, 20, 298],
  ['R-22 at 1500 K', 'R-22', 0.01, 1, 1500],
  ['nothing', 'R-22', 0.01, 0, 298],
  ['next to nothing', 'R-22', 0.01, 1e-300, 298],
] as const)('%s is no state: refused, never extrapolated', (_, id, volume, m, T) => {
  expect(() => closedVolume(refrigerant(id).composition, cubicMetre(volume), kilogram(m), kelvin(T))).toThrow(OutOfRange);
});

test('however a blend is written down, its state is the same', () => {
  const at = (composition: Record<string, number>) => closedVolume(composition, V, kilogram(8), celsius(25)).p;
  expect(at({ 'R-134a': 0.52, 'R-125': 0.25, 'R-32': 0.23 })).toBe(at({ 'R-32': 0.23, 'R-125': 0.25, 'R-134a': 0.52 }));
});

test('warming a closed cylinder raises its pressure, two-phase or liquid-full', () => {
  const { composition } = refrigerant('R-410A');
  const pressures = [0, 20, 40, 55, 57, 60, 65].map((tC) => closedVolume(composition, V, kilogram(10.08), celsius(tC)).p);
  expect(pressures).toEqual([...pressures].sort((a, b) => a - b));
});

test('a filling denser than the liquid is called liquid-full, with a pressure above saturation', () => {
  const { composition } = refrigerant('R-410A');
  const vessel = closedVolume(composition, V, kilogram(10.5), celsius(60));
  expect(vessel.state).toBe('liquid-full');
  expect(vessel.p).toBeGreaterThan(bubblePoint(composition, celsius(60)).p);
});

test('a trace is vapour', () => {
  expect(closedVolume(refrigerant('R-134a').composition, V, kilogram(0.05), celsius(25)).state).toBe('vapour');
});
