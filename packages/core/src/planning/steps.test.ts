import { estimatedVolume } from '../circuit/part-volume';
import { partsOf } from '../circuit/system-kind';
import { evacuationLevel } from '../compliance/evacuation-level';
import { refrigerant } from '../fluids/refrigerant';
import { pressureFrom, STANDARD_ATMOSPHERE, pressureIn } from '../units/pressure';
import { kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { contradictions } from './contradictions';
import { methods, type Method } from './method';
import { situationOf, type JobConditions } from './job-conditions';
import { steps, type StepFacts } from './steps';

const composition = refrigerant('R-410A').composition;
const level = evacuationLevel({
  composition,
  fullCharge: kilogram(4),
  machineBuilt: 'after-1993',
  sealed: false,
  compressorRuns: true,
  majorRepair: true,
  leaks: false,
  atmosphere: STANDARD_ATMOSPHERE,
});
const conditions = (more: Partial<JobConditions> = {}) =>
  situationOf({
    kind: 'split',
    composition,
    T: celsius(27),
    atmosphere: STANDARD_ATMOSPHERE,
    volume: estimatedVolume('circuit', kilogram(4)),
    content: { low: 3.8, likely: 4, high: 4.2 },
    level,
    failed: 'evaporator',
    ...more,
  });
const room = { by: 'heat', certain: true, share: 0.95, T: 333.15 } as const;
const facts: StepFacts = {
  flammable: false,
  needsCooling: false,
  reuse: { back: false, apart: false, tested: false },
  endOfPumpDown: 'slightly-positive',
  switches: { low: 'fitted' },
};
const codes = (method: Method, more: Partial<JobConditions> = {}, stepFacts: Partial<StepFacts> = {}) =>
  steps(method, conditions(more), { ...facts, ...stepFacts }).map(({ code }) => code);
const find = (method: Method, code: string, more: Partial<JobConditions> = {}, stepFacts: Partial<StepFacts> = {}) =>
  steps(method, conditions(more), { ...facts, ...stepFacts }).find((step) => step.code === code);

test('a pump-down: suction nearly shut beforehand, liquid shut while it runs, suction shut near 0, power cut, and watched', () => {
  expect(codes('pump-down-condenser')).toEqual([
    'read-standing-pressure',
    'defeat-low-pressure-switch',
    'nearly-close-suction',
    'run-compressor',
    'close-liquid-valve',
    'watch-suction',
    'close-suction',
    'cut-power',
    'shade-shut-part',
    'watch-holding',
    'sweep-with-nitrogen',
    'open',
  ]);
});

test('it ends between 0 and 2 psig; only a reciprocating compressor may go into a vacuum, if the organisation says so', () => {
  const gauge = (p: number | undefined) => pressureIn(p ?? Number.NaN, 'psig', STANDARD_ATMOSPHERE);
  expect(gauge(find('pump-down-condenser', 'watch-suction')?.at)).toBeCloseTo(1, 1);
  expect(find('pump-down-condenser', 'watch-suction')?.cautions).toContain('scroll-no-vacuum');
  expect(gauge(find('pump-down-condenser', 'watch-suction', {}, { endOfPumpDown: 'vacuum' })?.at)).toBeGreaterThan(0);
  const reciprocating = { compressor: { type: 'reciprocating', state: 'runs' } } as const;
  expect(gauge(find('pump-down-condenser', 'watch-suction', reciprocating, { endOfPumpDown: 'vacuum' })?.at)).toBeLessThan(0);
});

test('a heat pump is held in cooling first, and a barrel gets its water', () => {
  expect(codes('pump-down-condenser', { kind: 'heat-pump' })).toContain('hold-in-cooling');
  expect(codes('pump-down-condenser')).not.toContain('hold-in-cooling');
  expect(find('recover', 'start-water', { kind: 'chiller', water: 'flows' })?.cautions).toContain('barrel-freezes');
  expect(codes('recover')).not.toContain('start-water');
});

test('a part that is shut off with refrigerant in it is said to stand in the sun, unless somebody saw that it does not', () => {
  expect(find('pump-down-condenser', 'shade-shut-part')?.cautions).toEqual(['shut-part-in-the-sun']);
  expect(codes('pump-down-condenser', { shaded: true })).not.toContain('shade-shut-part');
  expect(codes('recover')).not.toContain('shade-shut-part');
});

test('by the king valve the low-pressure switch is wanted, not defeated', () => {
  const stepCodes = codes('pump-down-receiver', { kind: 'walk-in' });
  expect(stepCodes).toContain('close-king');
  expect(stepCodes).not.toContain('defeat-low-pressure-switch');
});

test('what exceeds the condenser is recovered before the pump-down', () => {
  const small = { condenser: { low: 2, likely: 2.5, high: 3, ...room } };
  const stepCodes = codes('pump-down-and-recover', small);
  expect(stepCodes.indexOf('recover-excess')).toBeLessThan(stepCodes.indexOf('run-compressor'));
  expect(codes('pump-down-and-recover', { condenser: { low: 5, likely: 6, high: 7, ...room } })).not.toContain('recover-excess');
});

test('every recovery ends at the level of the rules, is watched and weighed', () => {
  for (const method of ['liquid-first', 'push-pull', 'recover', 'pierce'] as const) {
    expect(find(method, 'recover-vapour')?.at).toBe(level.p);
    expect(codes(method).slice(-5)).toEqual(['isolate-and-wait', 'recover-again', 'book-by-scale', 'sweep-with-nitrogen', 'open']);
  }
});

test('where only vapour is left nobody looks for liquid', () => {
  expect(codes('recover', { asFound: { state: 'vapour-only', mostKg: 0.2 } })).not.toContain('recover-liquid');
  expect(codes('recover')).toContain('recover-liquid');
});

test('a caution stands where it applies, and nowhere else', () => {
  const all = (stepFacts: Partial<StepFacts>, more: Partial<JobConditions> = {}) =>
    steps('recover', conditions(more), { ...facts, ...stepFacts }).flatMap(({ cautions }) => cautions);
  expect(all({})).not.toContain('it-burns');
  expect(all({ flammable: true })).toContain('it-burns');
  expect(find('pump-down-condenser', 'watch-suction', {}, { flammable: true })?.cautions).toContain('it-burns');
  expect(all({})).not.toContain('cool-the-cylinder');
  expect(all({ needsCooling: true })).toContain('cool-the-cylinder');
  expect(all({ reuse: { back: false, apart: true, tested: false } })).toContain('acid');
  expect(all({}, { kind: 'chiller', water: 'drained' })).toContain('water-in-refrigerant');
});

test('what goes back gets a drier; after a failed compressor its acid is tested before anything is connected', () => {
  expect(codes('recover', {}, { reuse: { back: true, apart: false, tested: false } })).toContain('drier-in-line');
  const apart = codes('recover', {}, { reuse: { back: false, apart: true, tested: false } });
  expect(apart.indexOf('acid-test')).toBeLessThan(apart.indexOf('connect-and-purge'));
  expect(codes('recover', {}, { reuse: { back: false, apart: false, tested: true } })).not.toContain('acid-test');
});

test('a flat system is proved flat, swept and opened; one that is only emptied is not opened', () => {
  expect(codes('nothing')).toEqual(['read-standing-pressure', 'prove-flat', 'sweep-with-nitrogen', 'open']);
  for (const method of methods) expect(codes(method, { failed: 'none' })).not.toContain('open');
});

describe('facts that hardly go together are asked about', () => {
  const record = { kind: 'packaged', parts: partsOf({ kind: 'packaged' }), chargeKg: 9, recorded: [], kingValve: false } as const;

  test('a receiver on a packaged unit, a king valve without one', () => {
    expect(contradictions({ ...record, recorded: ['receiver'] })).toEqual([{ code: 'part-not-in-kind', numbers: {}, part: 'receiver' }]);
    expect(contradictions({ ...record, kingValve: true }).map(({ code }) => code)).toEqual(['valve-without-part']);
  });

  test('400 lb in a wall unit', () => {
    const [found] = contradictions({ ...record, kind: 'split', chargeKg: 181 });
    expect(found).toMatchObject({ code: 'charge-unusual', numbers: { charge: 181, most: 30 } });
  });

  test('a line set on a sealed appliance; nothing about an ordinary record', () => {
    expect(contradictions({ ...record, kind: 'appliance', chargeKg: 0.14, lineLengthM: 8 }).map(({ code }) => code)).toEqual([
      'line-without-set',
    ]);
    expect(contradictions(record)).toEqual([]);
  });
});

test('a switch is put out of action only where it would stop the pump-down too early', () => {
  const has = (switches: StepFacts['switches']) => codes('pump-down-condenser', {}, { switches }).includes('defeat-low-pressure-switch');
  const absolute = (psig: number) => pressureFrom(psig, 'psig', STANDARD_ATMOSPHERE);
  expect(has({ low: 'none' })).toBe(false);
  expect(has({ low: 'fitted' })).toBe(true);
  expect(has({ low: 'fitted', lowOpens: absolute(50) })).toBe(true);
  expect(has({ low: 'fitted', lowOpens: absolute(0) })).toBe(false);
});

test('where the high-pressure switch is known, the head is watched while the condenser fills', () => {
  const highOpens = pressureFrom(610, 'psig', STANDARD_ATMOSPHERE);
  const stepCodes = codes('pump-down-condenser', {}, { switches: { low: 'none', highOpens } });
  expect(stepCodes.indexOf('watch-head')).toBe(stepCodes.indexOf('close-liquid-valve') + 1);
  expect(codes('pump-down-condenser')).not.toContain('watch-head');
});

test('what burns is never drawn into a vacuum by a school, and nothing is heated before it was swept out', () => {
  const reciprocating: Partial<JobConditions> = { compressor: { type: 'reciprocating', state: 'runs' } };
  const burning = { flammable: true, endOfPumpDown: 'vacuum' } as const;
  expect(find('pump-down-condenser', 'watch-suction', reciprocating, burning)!.at).toBeGreaterThan(STANDARD_ATMOSPHERE);
  expect(find('recover', 'sweep-with-nitrogen', {}, burning)!.cautions).toContain('no-flame-before-swept');
  expect(find('recover', 'prepare-cylinder', {}, burning)!.cautions).toContain('rated-for-it');
});

test('every branch of a multi-split is opened before it is recovered: what is shut in stays', () => {
  expect(find('recover', 'open-branches', { kind: 'multi-split' }, { indoorUnits: 5 })?.count).toBe(5);
  expect(codes('recover')).not.toContain('open-branches');
});
