import priors from './priors.json';
import { refrigerant } from '../../fluids/refrigerant';
import { fahrenheit } from '../../units/temperature';
import type { Scenario } from '../scenario';
import { simulate } from '../simulate';
import type { Sample } from '../transfer-run';
import { pointsOf, valueAt, type Traces } from './observed';
import type { CureBy } from './cures';
import { outlook } from './outlook';
import { refit, type Underway } from './refit';
import { suspectsOf } from './suspects';
import { AS_RECORDED, unknowns, type Guess } from './guess';
import { priorSd, tuned } from './unknowns';

/** Noise that can be repeated. */
function normals(seed: number): () => number {
  let state = seed;
  const uniform = () => (state = (state * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;
  return () => Math.sqrt(-2 * Math.log(uniform() + 1e-12)) * Math.cos(2 * Math.PI * uniform());
}

const LB = 0.45359237;
const rooftop: Scenario = {
  composition: refrigerant('R-410A').composition,
  system: { chargeKg: 19.8 * LB, temperatureK: fahrenheit(95), condenserM3: 0.0117, evaporatorM3: 0.0109 },
  cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 4, temperatureK: fahrenheit(95), cooling: 'still-air', stopKg: 14 },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: fahrenheit(95),
  method: 'vapour',
  endPa: 101_325,
};

const truthOf = (guess: Guess, scenario = rooftop) => simulate({ ...tuned(scenario, guess), tripsFrom: Number.POSITIVE_INFINITY }, 2);

/** Readings until a time, with the noise of instruments. */
function readings(samples: readonly Sample[], now: number, normal: () => number): Traces {
  const until = samples.filter(({ t }) => t <= now);
  const of = (name: 'grossKg' | 'suctionPa' | 'headPa', sd: number) => ({
    t: until.map(({ t }) => t),
    value: until.map((sample) => sample[name] + sd * normal()),
  });
  return { grossKg: of('grossKg', 0.006), suctionPa: of('suctionPa', 4000), headPa: of('headPa', 8000) };
}

const underway = (truth: { samples: readonly Sample[] }, now: number, seed: number, more: Partial<Underway> = {}): Underway => ({
  scenario: rooftop,
  readings: readings(truth.samples, now, normals(seed)),
  now,
  from: AS_RECORDED,
  ...more,
});

describe('beside the readings', () => {
  const truth = truthOf([-0.1, -0.3, 0.12, -0.2, 0.25, 0.2]);
  const current = underway(truth, 0.6 * truth.end.t, 3);
  const fitted = refit(current);

  test('it finds what the records do not say', () => {
    const [charge, , pump, machine] = fitted.guess;
    expect(pump).toBeCloseTo(0.12, 1);
    expect(machine).toBeLessThan(0);
    expect(Math.abs(charge! + 0.1)).toBeLessThan(0.1);
    expect(fitted.misfit).toBeLessThan(1);
  });

  test('a hose that lies down on the scale is named by its reading, with how far it is off', () => {
    const { grossKg } = current.readings;
    const leaned = grossKg!.value.map((value, k) => value + (grossKg!.t[k]! > 0.4 * truth.end.t ? 2 : 0));
    const off = { ...current, readings: { ...current.readings, grossKg: { t: grossKg!.t, value: leaned } } };
    const coming = outlook(off, refit(off))!;
    expect(coming.offReadings[0]).toBe('grossKg');
    expect(coming.beside.grossKg!.latest).toBeGreaterThan(0.5);
    // as it is read without that, nothing is off
    const usual = outlook(current, fitted)!;
    expect(usual.offReadings).toEqual([]);
    expect(Math.abs(usual.beside.grossKg!.latest)).toBeLessThan(0.2);
  });

  test('its ranges hold what comes', () => {
    const coming = outlook(current, fitted)!;
    expect(coming.end.grossKg.low).toBeLessThanOrEqual(truth.end.grossKg + 0.05);
    expect(coming.end.grossKg.high).toBeGreaterThanOrEqual(truth.end.grossKg - 0.05);
    const middle = coming.t[30]!;
    const head = valueAt(truth.samples, 'headPa', middle);
    expect(coming.bands.headPa[30]!.low).toBeLessThan(head * 1.03);
    expect(coming.bands.headPa[30]!.high).toBeGreaterThan(head * 0.97);
  });

  test('the same question has the same answer', () => {
    expect(refit(current).guess).toEqual(fitted.guess);
  });

  test('a kicked scale moves it hardly at all', () => {
    const gross = current.readings.grossKg!;
    const kicked = gross.value.map((value, k) => (k % 40 === 0 ? value + 1.5 : value));
    const again = refit({ ...current, readings: { ...current.readings, grossKg: { ...gross, value: kicked } } });
    for (const [k, value] of again.guess.entries()) expect(Math.abs(value - fitted.guess[k]!)).toBeLessThan(0.05);
  });
});

test('with nothing read it is what the records say, with all the doubt of before', () => {
  const fitted = refit({ scenario: rooftop, readings: {}, now: 1, from: AS_RECORDED });
  expect(fitted.guess).toEqual(AS_RECORDED);
  // and never less, however much is read, than what volumes leave open of the charge
  for (const [k, sd] of priorSd(undefined).entries())
    expect(Math.sqrt(fitted.covariance[k * unknowns.length + k]!)).toBeCloseTo(k === 0 ? Math.hypot(sd, priors.structure.charge) : sd, 6);
});

// While liquid is left the pressure stands at saturation, whatever the charge (common practice).
test('the charge is not seen while liquid is left, and seen near the end', () => {
  const truth = truthOf([-0.12, 0, 0, 0, 0, 0]);
  const early = underway(truth, 0.15 * truth.end.t, 5);
  const late = underway(truth, 0.9 * truth.end.t, 5);
  expect(outlook(early, refit(early))!.chargeSeen).toBe(false);
  const seen = outlook(late, refit(late))!;
  expect(seen.chargeSeen).toBe(true);
  expect(seen.chargeKg.low).toBeLessThan(rooftop.system.chargeKg * Math.exp(-0.12) * 1.02);
  expect(seen.chargeKg.high).toBeGreaterThan(rooftop.system.chargeKg * Math.exp(-0.12) * 0.98);
});

test('a trip is foreseen, and ice averts it', () => {
  const truth = truthOf([0, 0, 0.05, -0.2, 0, 0]);
  const tripS = truth.samples.find(({ headPa }) => headPa > 3.72e6)!.t;
  const now = 0.4 * tripS;
  const current = underway(truth, now, 11);
  const coming = outlook(current, refit(current))!;
  expect(coming.trip).toBeDefined();
  expect(Math.abs(coming.trip!.likely - tripS) / (tripS - now)).toBeLessThan(0.15);
  const ice = coming.cures.find(({ by }) => by === 'ice')!;
  expect(ice.tripS).toBeUndefined();
  expect(ice.headPa).toBeLessThan(3.72e6);
  // each other way shows what it does, a fresh cylinder at once, which then warms up in its turn; a loop for a while
  const by = (name: CureBy) => coming.cures.find((cure) => cure.by === name)!;
  expect(by('throttle').headPa).toBeLessThan(coming.bands.headPa.at(-1)!.likely);
  expect(by('throttle').endS).toBeGreaterThan(coming.end.t.likely);
  expect(by('swap').heads[3]!).toBeLessThan(0.8 * coming.bands.headPa[3]!.likely);
  expect(by('loop').tripS ?? Number.POSITIVE_INFINITY).toBeGreaterThan(tripS);
  const iced = outlook({ ...current, scenario: { ...rooftop, deeds: [{ at: now, cooling: 'ice' }] } }, refit(current))!;
  expect(iced.trip).toBeUndefined();
});

test('while the machine loops the cylinder, what comes goes on after it', () => {
  const truth = truthOf([0, 0, 0, 0, 0, 0]);
  const current = underway(truth, 0.3 * truth.end.t, 4);
  const looping = { ...current, scenario: { ...rooftop, deeds: [{ at: current.now, machine: 'on' as const, task: 'loop' as const }] } };
  const coming = outlook(looping, refit(looping))!;
  expect(coming.end.reason).toBe('reached');
  expect(coming.end.t.likely).toBeGreaterThan(outlook(current, refit(current))!.end.t.likely + 200);
});

test.each([
  [[0, 0, -0.4, 0, 0, 0], 'machine-weak'],
  [[0, 0, 0, -0.9, 0, 0], 'machine-hot'],
] as const)('a rig off by %j is named: %s', (guess, suspect) => {
  const truth = truthOf(guess);
  const current = underway(truth, 0.7 * truth.end.t, 2);
  expect(suspectsOf(refit(current))).toContain(suspect);
});

// liquid shows what a hose lets through; vapor at a throttled suction hardly does
test('a core that was left in is named as soon as liquid flows', () => {
  const direct: Scenario = {
    ...rooftop,
    method: 'direct',
    machine: null,
    cylinder: { ...rooftop.cylinder, contentKg: 0.1, temperatureK: fahrenheit(70) },
  };
  const truth = truthOf([0, -1.2, 0, 0, 0, 0], direct);
  const current = underway(truth, 150, 2, { scenario: direct });
  expect(suspectsOf(refit(current))).toEqual(['restricted']);
});

test('another refrigerant than the record’s does not fit, and is said', () => {
  const truth = truthOf([0, 0, 0, 0, 0, 0], { ...rooftop, composition: refrigerant('R-134a').composition });
  const current = underway(truth, 300, 2);
  expect(suspectsOf(refit(current))).toEqual(['does-not-fit']);
});

test('what cannot be run has no outlook, and throws nothing', () => {
  const impossible = { ...rooftop, system: { ...rooftop.system, chargeKg: 500 } };
  const current = { scenario: impossible, readings: {}, now: 10, from: AS_RECORDED };
  expect(outlook(current, refit(current))).toBeUndefined();
});

test('readings are put together by their medians, and no kind counts more often than it is independent', () => {
  const t = Array.from({ length: 400 }, (_, k) => k);
  const points = pointsOf({ grossKg: { t, value: t.map((s) => (s % 9 === 0 ? 99 : 12 + 0.01 * s)) } });
  expect(points).toHaveLength(40);
  for (const { value, t: at } of points) expect(value).toBeCloseTo(12 + 0.01 * at, 1);
  expect(points[0]!.sd).toBeGreaterThan(0.03);
});
