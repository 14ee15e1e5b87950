import { newVisitPlan, visitPlan } from './visit-plan';
import { transferScenario } from './visit-transfer';
import { pullDownSetUp } from './visit-test';

const plan = { method: 'recover', proposed: 'recover', why: '', failed: 'evaporator', standingPa: null, factsVersion: 1 };
const pullDown = {
  test: 'pull-down',
  volumeM3: 0.01,
  hose: '3/8',
  lengthM: 1,
  core: 'out',
  pumpSpeed: 0.002,
  targetMicron: 500,
};
const scenario = {
  composition: { 'R-134a': 1 },
  system: { chargeKg: 5, temperatureK: 300, condenserM3: 0.01, evaporatorM3: 0.01 },
  cylinder: { volumeM3: 0.02, tareKg: 10, contentKg: 0, temperatureK: 300, cooling: 'still-air', stopKg: 15 },
  machine: null,
  hoses: { size: '3/8', lengthM: 2, cores: 'out' },
  method: 'vapour',
  endPa: 1e5,
};

test.each([
  ['a plan', visitPlan, plan],
  ['a new plan', newVisitPlan, plan],
  ['a vacuum', pullDownSetUp, pullDown],
  ['a transfer', transferScenario, scenario],
] as const)(
  '%s that rests on an outdoor temperature beyond the usual asks back, and takes it when it was read again',
  (_, schema, body) => {
    const sentences = (more: object) =>
      schema.safeParse({ ...body, ...more }).error?.issues.map(({ path, message }) => [path.join('.'), message]);
    expect(sentences({ ambientK: 300 })).toBeUndefined();
    expect(sentences({ ambientK: 353.15 })).toEqual([['ambientK', expect.stringContaining('Read it again')]]);
    expect(sentences({ ambientK: 353.15, ambientConfirmed: true })).toBeUndefined();
  },
);

test('a plan is not decided from a pressure that no gauge shows; one on record is read as it is', () => {
  const slip = { ...plan, ambientK: 300, standingPa: 8.3e12 };
  const { error } = newVisitPlan.safeParse(slip);
  expect(error?.issues.map(({ path, message }) => [path.join('.'), message])).toEqual([
    ['standingPa', 'The standing pressure is above 3000 psig: check the digits and the unit.'],
  ]);
  expect(newVisitPlan.safeParse({ ...slip, standingPa: 9.8e6 }).success).toBe(true);
  expect(visitPlan.safeParse(slip).success).toBe(true);
});

test('a plan is not decided from a pressure below a vacuum', () => {
  const { error } = newVisitPlan.safeParse({ ...plan, ambientK: 300, standingPa: -1 });
  expect(error?.issues.map(({ path, message }) => [path.join('.'), message])).toEqual([
    ['standingPa', 'The standing pressure is below a vacuum.'],
  ]);
  expect(newVisitPlan.safeParse({ ...plan, ambientK: 300, standingPa: 0 }).success).toBe(true);
});
