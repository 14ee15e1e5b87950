import { OutOfRange } from '../errors';
import { mixed } from '../fluids/composition';
import { refrigerant } from '../fluids/refrigerant';
import { pressureIn, STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { closedVolume } from './closed-volume';
import { leak } from './leak';
import pair from './leak-pair.json';

const V = cubicMetre(0.0119);
const T = celsius(25);
const leaked = (id: string, kg: number, phase: 'vapour' | 'liquid', lost: number[]) =>
  leak(refrigerant(id).composition, V, kilogram(kg), T, phase, lost);
const psig = (p: number) => pressureIn(p, 'psig', STANDARD_ATMOSPHERE);

// Conditions of order of a Runge–Kutta pair (Hairer, Nørsett & Wanner, Solving Ordinary Differential Equations I): Σ b = 1, Σ b c = 1/2, Σ b c² = 1/3 …
test('both formulas of the pair meet their conditions of order, and every stage its own', () => {
  const c = [0, ...pair.stages.map(({ at }) => at)];
  for (const weights of [pair.fifth, pair.fourth])
    for (const power of [0, 1, 2, 3]) expect(weights.reduce((sum, b, i) => sum + b * c[i]! ** power, 0)).toBeCloseTo(1 / (power + 1), 12);
  expect(pair.fifth.reduce((sum, b, i) => sum + b * c[i]! ** 4, 0)).toBeCloseTo(1 / 5, 12);
  for (const { at, weights } of pair.stages) expect(weights.reduce((sum, a) => sum + a, 0)).toBeCloseTo(at, 12);
});

test('a pure refrigerant stays what it is, and its pressure stays while liquid is left', () => {
  const [before, half] = leaked('R-134a', 5, 'vapour', [0, 0.5]);
  expect(half!.left).toEqual({ 'R-134a': 1 });
  expect(half!.p / before!.p).toBeCloseTo(1, 9);
});

// A second solver of the same equations gave 138 and 121 psig after half and three quarters of a half-full vessel of R-407C.
test('R-407C that leaks as vapour grows poorer in R-32 and falls in pressure', () => {
  const [half, more] = leaked('R-407C', 6.8, 'vapour', [0.5, 0.75]);
  expect(psig(half!.p)).toBeCloseTo(138, -0.5);
  expect(psig(more!.p)).toBeCloseTo(121, -0.5);
  expect(half!.left['R-32']).toBeLessThan(0.2);
});

test('what leaves as liquid hardly changes it', () => {
  const [state] = leaked('R-410A', 8, 'liquid', [0.5]);
  expect(state!.left['R-32']).toBeCloseTo(0.5, 2);
});

test('the order in which shares are asked for does not matter', () => {
  const direct = leaked('R-448A', 6, 'vapour', [0.6])[0]!;
  const stepwise = leaked('R-448A', 6, 'vapour', [0.1, 0.2, 0.35, 0.6])[3]!;
  for (const [id, share] of Object.entries(direct.left)) expect(stepwise.left[id]).toBeCloseTo(share, 6);
  expect(stepwise.p / direct.p).toBeCloseTo(1, 6);
});

test('what is lost and what is left are together what there was', () => {
  const { composition } = refrigerant('R-407C');
  const steps = 200;
  const first = leaked('R-407C', 6.8, 'vapour', [0.5])[0]!.left;
  // Euler's method in small steps on the same process: right to the order of a step
  let left = composition;
  for (let k = 0; k < steps; k++) {
    const mass = 6.8 * (1 - (0.5 * k) / steps);
    const state = closedVolume(left, V, kilogram(mass), T);
    if (state.state !== 'two-phase') throw new Error('the vessel ran dry');
    const gone = (6.8 * 0.5) / steps;
    const masses = Object.fromEntries(
      Object.entries(left).map(([id, share]) => [id, (share * mass - state.vapour[id]! * gone) / (mass - gone)]),
    );
    left = mixed([{ composition: masses, mass: 1 }]);
  }
  for (const [id, share] of Object.entries(first)) expect(left[id]).toBeCloseTo(share, 3);
});

test('shares that fall, or take everything, are refused', () => {
  expect(() => leaked('R-407C', 5, 'vapour', [0.5, 0.2])).toThrow(OutOfRange);
  expect(() => leaked('R-407C', 5, 'vapour', [1])).toThrow(OutOfRange);
});
