import fc from 'fast-check';
import { allSubstances } from '../fluids/substance';
import { compileMixture } from './mixture-model';
import { Phase } from './phase';

/** A model of one to four substances with component densities between gas and liquid, and a temperature. */
const anyState = fc
  .record({
    picked: fc.uniqueArray(fc.integer({ min: 0, max: allSubstances.length - 1 }), { minLength: 1, maxLength: 4 }),
    shares: fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 4, maxLength: 4 }),
    density: fc.double({ min: 0.01, max: 2.2, noNaN: true }),
    temperature: fc.double({ min: 0.65, max: 1.3, noNaN: true }),
  })
  .map(({ picked, shares, density, temperature }) => {
    const model = compileMixture(picked.map((k) => allSubstances[k]!));
    const rho = model.v.map((v, k) => (density * shares[k]!) / (v * picked.length));
    return { model, rho, T: temperature * Math.min(...model.T) };
  });

const evaluated = (model: Phase['model'], rho: readonly number[], T: number) => {
  const phase = new Phase(model);
  phase.rho.set(rho);
  phase.evaluate(T);
  return phase;
};

const moved = (rho: readonly number[], l: number, by: number) => rho.map((r, k) => (k === l ? r * (1 + by) : r));

/** Central differences of smooth functions in double precision agree to about 1e-6 of the largest part. */
const expectClose = (value: number, difference: number, size: number) => expect(Math.abs(value - difference)).toBeLessThan(2e-6 * size);

test('∂ ln f/∂ρ and ∂p/∂ρ agree with central differences', () => {
  fc.assert(
    fc.property(anyState, ({ model, rho, T }) => {
      const phase = evaluated(model, rho, T);
      const h = 1e-5;
      for (let l = 0; l < rho.length; l++) {
        const up = evaluated(model, moved(rho, l, h), T);
        const down = evaluated(model, moved(rho, l, -h), T);
        const step = 2 * h * rho[l]!;
        for (let k = 0; k < rho.length; k++) {
          const analytic = phase.dlnfdrho[k * rho.length + l]!;
          const size = Math.abs(analytic) + (1 + Math.abs(phase.lnf[k]!)) / rho[l]!;
          expectClose(analytic, (up.lnf[k]! - down.lnf[k]!) / step, size);
        }
        expectClose(phase.dpdrho(l), (up.p - down.p) / step, Math.abs(phase.dpdrho(l)) + model.R * T * 30);
      }
    }),
    { numRuns: 60, seed: 20_261_125 },
  );
});

test('∂ ln f/∂T and ∂p/∂T agree with central differences', () => {
  fc.assert(
    fc.property(anyState, ({ model, rho, T }) => {
      const phase = evaluated(model, rho, T);
      const h = 1e-5 * T;
      const up = evaluated(model, rho, T + h);
      const down = evaluated(model, rho, T - h);
      for (let k = 0; k < rho.length; k++) {
        const size = Math.abs(phase.dlnfdT[k]!) + (1 + Math.abs(phase.lnf[k]!)) / T;
        expectClose(phase.dlnfdT[k]!, (up.lnf[k]! - down.lnf[k]!) / (2 * h), size);
      }
      expectClose(phase.dpdT, (up.p - down.p) / (2 * h), Math.abs(phase.dpdT) + model.R * phase.rhoTotal * 30);
    }),
    { numRuns: 60, seed: 20_261_125 },
  );
});

test('R-744 is finite at τ = δ = 1, where its non-analytic term is singular', () => {
  const carbonDioxide = allSubstances.find(({ id }) => id === 'R-744')!;
  const { T, rhoMolar } = carbonDioxide.reducing;
  const phase = evaluated(compileMixture([carbonDioxide]), [rhoMolar], T);
  // Span & Wagner 1996: critical pressure 7.3773 MPa
  expect(phase.p / 1e6).toBeCloseTo(7.3773, 3);
  expect(Number.isFinite(phase.dpdrhoTotal())).toBe(true);
});
