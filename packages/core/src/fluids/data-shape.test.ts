import { allBlends } from './blend';
import classifications from './classification.json';
import departures from './departures.json';
import pairs from './pairs.json';
import publications from './publications.json';
import { allSubstances, type ResidualGroup } from './substance';

/** The columns that each kind of term has to have, all of one length. */
const columns: Record<ResidualGroup['kind'], readonly string[]> = {
  power: ['n', 't', 'd', 'l'],
  exponential: ['n', 't', 'd', 'g', 'l'],
  powerWithTau: ['n', 't', 'd', 'l', 'm'],
  gaussian: ['n', 't', 'd', 'eta', 'epsilon', 'beta', 'gamma'],
  gaoB: ['n', 't', 'd', 'eta', 'epsilon', 'beta', 'gamma', 'b'],
  nonAnalytic: ['n', 'a', 'b', 'beta', 'A', 'B', 'C', 'D'],
};

test.each(allSubstances.map((substance) => [substance.id, substance] as const))(
  '%s: every column of its terms is there, full and finite',
  (_, substance) => {
    for (const group of substance.eos.residual) {
      const current = group as unknown as Record<string, number[]>;
      const lengths = columns[group.kind].map((column) => current[column]?.length);
      expect(new Set(lengths)).toEqual(new Set([group.n.length]));
      for (const column of columns[group.kind]) expect(current[column]!.every(Number.isFinite)).toBe(true);
    }
  },
);

test.each(allSubstances.map((substance) => [substance.id, substance] as const))(
  '%s: its points and limits make sense',
  (_, { molarMass, gasConstant, minT, maxT, tripleT, reducing, critical, acentric }) => {
    expect(molarMass).toBeGreaterThan(0.01);
    expect(molarMass).toBeLessThan(0.25);
    // the constants of fifty years of publications
    expect(gasConstant).toBeGreaterThan(8.31);
    expect(gasConstant).toBeLessThan(8.3152);
    expect(minT).toBeGreaterThanOrEqual(tripleT * 0.999);
    expect(critical.T).toBeGreaterThan(minT);
    expect(maxT).toBeGreaterThan(critical.T * 0.99);
    expect(reducing.T / critical.T).toBeCloseTo(1, 1);
    expect(critical.p).toBeGreaterThan(1e6);
    expect(acentric).toBeGreaterThan(-0.1);
    expect(acentric).toBeLessThan(0.5);
  },
);

test.each(allSubstances.map((substance) => [substance.id, substance] as const))(
  '%s: its starting values are given over a range',
  (_, { ancillary }) => {
    for (const fit of [ancillary.p, ancillary.rhoLiquid]) {
      expect(fit.n).toHaveLength(fit.t.length);
      expect(fit.Tmin).toBeLessThan(fit.Tmax);
    }
  },
);

test('everything has a publication and a classification, and nothing has one too many', () => {
  const ids = allSubstances.map(({ id }) => id).sort();
  expect(Object.keys(publications).sort()).toEqual(ids);
  expect(Object.keys(classifications).sort()).toEqual([...ids, ...allBlends.map(({ id }) => id)].sort());
});

// ANSI/ASHRAE 34 groups, from memory.
test('safety groups are those of the standard', () => {
  const groups = new Set(['A1', 'A2L', 'A2', 'A3', 'B1', 'B2L', 'B2', 'B3', null]);
  for (const [id, { safetyGroup }] of Object.entries(classifications)) expect([id, groups.has(safetyGroup)]).toEqual([id, true]);
});

// ANSI/ASHRAE 34 (from memory): a blend is numbered 400 where it is zeotropic, 500 where it is azeotropic.
test('blends are numbered as such', () => {
  for (const { id, massFraction } of allBlends) {
    expect(id).toMatch(/^R-[45]\d\d[A-Z]?$/);
    expect(Object.keys(massFraction).length).toBeGreaterThan(1);
  }
});

test('a pair is listed once, and a departure function is used', () => {
  const keys = pairs.map(({ i, j }) => [i, j].sort().join(' '));
  expect(new Set(keys).size).toBe(keys.length);
  const used = new Set(pairs.map((pair) => ('departure' in pair ? pair.departure : undefined)));
  expect(departures.filter(({ name }) => !used.has(name))).toEqual([]);
});
