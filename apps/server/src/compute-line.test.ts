import { computeAnswer, computeRequest } from '@hygromet/contract/compute';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { lineBy, type AnswerLine } from './answer-lines';
import { answerCompute } from './domain/answer-compute';
import { loadSolver } from './domain/solver';

let answerLine: AnswerLine;
beforeAll(async () => {
  const solve = await loadSolver();
  answerLine = lineBy(computeRequest, (request) => answerCompute(request, solve));
});
/** Every answer is valid by the schema that is published. */
const answer = (question: object) => {
  const current = answerLine(JSON.stringify(question)) as Record<string, unknown>;
  if (!('error' in current)) expect(computeAnswer.parse(current)).toEqual(current);
  return current;
};
const trace = (name: string) =>
  JSON.parse(readFileSync(path.join(__dirname, '../../../packages/core/checks/proof-traces', `${name}.json`), 'utf8')) as {
    meta: object;
    readings: object;
    phases: object[];
  };

test('a hold, with what its leak is in kilograms of nitrogen and of the refrigerant a year', () => {
  const { meta, readings } = trace('pressure-07');
  const of = (refrigerant?: string) => answer({ op: 'hold', meta, readings, tightTo: 0.03, ...(refrigerant ? { refrigerant } : {}) });
  const r32 = of('R-32');
  expect(r32).toMatchObject({ verdict: 'leaking', tightTo: 0.03 });
  const [low, high] = r32['refrigerantKgPerYear'] as [number, number];
  expect(low / (r32['nitrogenKgPerYear'] as number)).toBeCloseTo(0.8, 0);
  // where nobody says which refrigerant, the span of the usual ones holds it
  const [least, most] = of()['refrigerantKgPerYear'] as [number, number];
  expect(least).toBeLessThan(low);
  expect(most).toBeGreaterThan(high);
});

test('what a hold will see, before it is started', () => {
  const { meta } = trace('pressure-01');
  const { limits } = answer({ op: 'holdLimit', meta, durationsS: [900, 3600, 57_600] }) as { limits: { lossPerHour: number }[] };
  expect(limits).toHaveLength(3);
  expect(limits.map(({ lossPerHour }) => lossPerHour)).toEqual([...limits.map(({ lossPerHour }) => lossPerHour)].sort((a, b) => b - a));
});

test('a rise, with the place of its leak', () => {
  const { meta, phases } = trace('rise-12');
  expect(answer({ op: 'rise', meta, phases, leakAbove: 2 })).toMatchObject({ place: 'rig' });
});

test('a pull-down of which too little is seen', () => {
  const meta = { volumeLiter: 10, hose: '1/4', lengthM: 1.5, core: 'in', ambientC: 20, targetMicron: 500 };
  const readings = { timeS: [0, 30, 60, 90, 120, 150], micron: [400_000, 380_000, 360_000, 340_000, 320_000, 305_000] };
  const current = answer({ op: 'pullDown', meta, readings });
  expect(current['verdict']).toBe('cannot-tell');
  expect(current['expectedS']).toBeGreaterThan(300);
});

test('an account, and a blend restored by what is at hand', () => {
  const account = answer({
    op: 'account',
    expected: [{ term: 'plate', kg: 3.6, sigmaKg: 0.1 }],
    recovered: [{ term: 'C-07', kg: 2.2, sigmaKg: 0.03 }],
    residual: [],
  });
  expect(account['differenceKg']).toBeCloseTo(1.4, 9);
  expect((account['explanations'] as { code: string }[])[0]?.code).toBe('leaked-before');
  const restored = answer({
    op: 'restore',
    massKg: 3,
    composition: { 'R-32': 0.2, 'R-125': 0.23, 'R-134a': 0.57 },
    designation: 'R-407C',
    available: [
      { refrigerant: 'R-32' },
      { refrigerant: 'R-125', maxKg: 2 },
      { composition: { 'R-32': 0.23, 'R-125': 0.25, 'R-134a': 0.52 } },
    ],
  });
  expect(restored).toMatchObject({ possible: true, reason: 'restored' });
  expect((restored['add'] as { refrigerant?: string; kg: number }[]).every(({ kg }) => kg > 0)).toBe(true);
});

test('a transfer from its start to its end', () => {
  const scenario = {
    refrigerant: 'R-410A',
    system: { chargeKg: 4, temperatureK: 300, condenserM3: 0.005, evaporatorM3: 0.005 },
    cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 0, temperatureK: 300, cooling: 'fan' },
    machine: 'two-cylinders',
    hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
    ambientK: 300,
    method: 'liquid-first',
    endPa: 101_325,
  };
  const current = answer({ op: 'simulate', scenario, sampleEveryS: 10 });
  expect(current['end']).toMatchObject({ reason: 'reached' });
  expect((current['balance'] as { mass: number }).mass).toBeLessThan(1e-12);
  const refused = answer({ op: 'simulate', scenario: { ...scenario, system: { ...scenario.system, chargeKg: 40 } }, sampleEveryS: 10 });
  expect(refused).toMatchObject({ error: { code: 'out-of-range' } });
});

test('a charge with its budget, and how fast it may be fed', () => {
  const charge = answer({
    op: 'chargeTarget',
    refrigerant: 'R-410A',
    plateKg: 3.2,
    lineSet: { lengthM: 15, coveredM: 4.6, liquid: '3/8', suction: '3/4' },
  });
  expect(charge['kg']).toBeGreaterThan(3.2);
  expect((charge['budget'] as { kg: number }[]).reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(charge['kg'] as number, 12);
  expect(answer({ op: 'feedRate', refrigerant: 'R-410A', superheatK: 14, massFlowKgPerS: 0.05 })['kgPerS']).toBeGreaterThan(0);
});

test.each([
  ['no operation', { op: 'guess' }, 'invalid-input', /hold, holdLimit/],
  [
    'a temperature that is missing',
    { op: 'hold', ...trace('pressure-07'), readings: { timeS: [0, 60], pressurePsig: [300, 300], airC: [20] }, tightTo: 0.03 },
    'invalid-input',
    /same length/,
  ],
  [
    'vacuum typed in another unit',
    { op: 'rise', meta: trace('rise-01').meta, phases: [{ isolated: 'pump', timeS: [0], micron: [2e6] }], leakAbove: 2 },
    'invalid-input',
    /another unit/,
  ],
  [
    'an expected mass of nothing',
    { op: 'account', expected: [{ term: 'plate', kg: 0, sigmaKg: 0 }], recovered: [], residual: [] },
    'out-of-range',
    /expected mass/,
  ],
  [
    'shares that do not sum to one',
    { op: 'restore', massKg: 1, composition: { 'R-32': 0.5, 'R-125': 0.4 }, designation: 'R-410A', available: [] },
    'bad-composition',
    /sum to/,
  ],
  ['an unknown designation', { op: 'chargeTarget', refrigerant: 'R-999', plateKg: 1 }, 'unknown-refrigerant', /R-999/],
  ['a charge of nothing', { op: 'chargeTarget', refrigerant: 'R-32', plateKg: 0 }, 'out-of-range', /plate/],
])('%s is named', (_, question, code, sentence) => {
  const { test: _test, name: _name, truth: _truth, ...asked } = { test: 0, name: 0, truth: 0, ...question };
  expect(answerLine(JSON.stringify(asked))).toEqual({ error: { code, message: expect.stringMatching(sentence) } });
});
