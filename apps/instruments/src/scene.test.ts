import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import type { MachineState } from '@hygromet/core/twin/machine-state';
import { received } from '@hygromet/core/instruments/received';
import { Noise } from './noise';
import { Scene } from './scene';
import { factsOf, identifierPack, packOf } from './senml-pack';
import { hiddenTruth } from './truth';

const system = { nameplateKg: 9, contentKg: 9, refrigerant: 'R-410A' } as Parameters<typeof hiddenTruth>[1];
const cylinder = { volumeM3: 0.0119, tareKg: 7.8, tareWeighedKg: null, contentKg: 3.4 } as Parameters<typeof hiddenTruth>[2];
const truth = (seed: number) =>
  hiddenTruth({ system: '', cylinder: '', method: 'vapour', ambientK: 300 }, system, cylinder, new Noise(seed));
const scene = (seed = 1) => new Scene(truth(seed), new Noise(seed));
const average = (entry: Scene, of: 'gross' | 'head', n = 60) => {
  const values = Array.from({ length: n }, () => entry.shown()[of]).filter((value) => value !== undefined);
  return values.reduce((sum, value) => sum + value, 0) / values.length;
};

test('noise is the same for the same seed, and as wide as it says', () => {
  const draw = (seed: number) => {
    const noise = new Noise(seed);
    return Array.from({ length: 4000 }, () => noise.normal());
  };
  expect(draw(7)).toEqual(draw(7));
  expect(draw(7)).not.toEqual(draw(8));
  const values = draw(3);
  expect(values.reduce((sum, value) => sum + value, 0) / values.length).toBeCloseTo(0, 1);
  expect(Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length)).toBeCloseTo(1, 1);
});

test('the truth is near the records and never quite as they say', () => {
  const charges = [1, 2, 3, 4, 5, 6].map((seed) => truth(seed).system.chargeKg);
  for (const kg of charges) expect(Math.abs(kg / 9 - 1)).toBeLessThan(0.4);
  expect(new Set(charges).size).toBe(6);
  expect(refrigerant('R-410A').composition).toEqual(truth(1).composition);
});

test('while the valve is shut the scale rests at tare and contents', () => {
  const current = scene();
  current.pass(60);
  expect(average(current, 'gross')).toBeCloseTo(11.2, 2);
});

test('an open valve fills the cylinder, a shut one ends it; at 60 times the speed it takes a minute for an hour', () => {
  const current = scene();
  current.do({ act: 'speed', to: 60 });
  current.do({ act: 'valve', to: 'open' });
  current.pass(3);
  const filled = average(current, 'gross');
  expect(filled).toBeGreaterThan(11.6);
  current.do({ act: 'valve', to: 'shut' });
  current.pass(2);
  expect(average(current, 'gross')).toBeCloseTo(current.state().grossKg, 2);
  expect(current.state().t).toBeCloseTo(300, 0);
});

test('a kick is over after a moment, a zero that is off stays, a probe that is off reads the air', () => {
  const current = scene();
  current.pass(1);
  current.do({ act: 'kick' });
  current.pass(0.3);
  expect(Math.abs(current.shown().gross! - 11.2)).toBeGreaterThan(0.2);
  current.pass(5);
  expect(average(current, 'gross')).toBeCloseTo(11.2, 2);
  current.do({ act: 'zero', kg: 0.4536 });
  expect(average(current, 'gross')).toBeCloseTo(11.6536, 2);
  current.do({ act: 'probe', probe: 'head', to: 'off' });
  expect(average(current, 'head')).toBe(101_325);
});

test('what is sent can be read by the one who receives it', () => {
  const now = 1_795_953_600;
  const pack = received(packOf({ gross: 11.2, suction: 8e5, head: 2e6, wall: 300 }, now), now);
  expect(pack.problems).toEqual([]);
  expect(pack.readings.map(({ instrument, quantity, at }) => [instrument, quantity, at])).toEqual([
    ['scale-1', 'gross', now],
    ['probe-low', 'suction', now],
    ['probe-high', 'head', now],
    ['clamp-1', 'wall', now],
  ]);
  const facts = received(factsOf({ gross: 11.2, vacuum: 66 }, { speed: 10, since: now - 60 }, 80, now), now);
  expect(facts.problems).toEqual([]);
  expect(facts.facts.filter(({ instrument }) => instrument === 'scale-1').map(({ fact, value }) => [fact, value])).toEqual([
    ['kind', 'scale'],
    ['unit', 'lb'],
    ['battery', 80],
    ['simulated', true],
    ['speed', 10],
    ['speedSince', now - 60],
  ]);
  expect(new Set(facts.facts.map(({ instrument }) => instrument))).toEqual(new Set(['scale-1', 'micron-1']));
});

test('an identifier names what is really in it, with little air, and its pack is understood', () => {
  const { refrigerant: name, airPercent } = scene().sample();
  expect(name).toBe('R-410A');
  expect(airPercent).toBeLessThan(1.5);
  const { facts, problems } = received(identifierPack(name, airPercent, 1.7e9), 1.7e9);
  expect(problems).toEqual([]);
  expect(facts).toContainEqual({ instrument: 'identifier-1', fact: 'refrigerant', at: 1.7e9, value: 'R-410A' });
  expect(facts.find(({ fact }) => fact === 'nonCondensables')?.value).toBeCloseTo(airPercent, 0);
});

test('air that was left in it shows in the sample, and stands over the refrigerant at rest', () => {
  const setting = { system: '', cylinder: '', method: 'vapour', ambientK: 300, airKg: 0.03 } as const;
  const aired = new Scene(hiddenTruth(setting, system, cylinder, new Noise(1)), new Noise(1));
  expect(aired.sample().airPercent).toBeGreaterThan(3);
  const suction = (entry: Scene) => entry.state().suctionPa;
  // common practice: an ounce in a unit of this size stands 11 to 35 psi over its saturation pressure
  expect(suction(aired) - suction(scene())).toBeGreaterThan(70_000);
});

test('a machine that is throttled, loops or purges brings less from the system than one that runs', () => {
  const brought = (to: MachineState) => {
    const current = scene();
    current.do({ act: 'valve', to: 'open' });
    current.pass(60);
    const before = current.state().systemKg;
    current.do({ act: 'machine', to });
    current.pass(120);
    expect(current.state().machine).toBe(to);
    return before - current.state().systemKg;
  };
  const [on, throttled, loop, purge] = [brought('on'), brought('throttled'), brought('loop'), brought('purge')];
  expect(throttled).toBeLessThan(0.9 * on);
  expect(Math.max(loop, purge)).toBeLessThan(0.2 * throttled);
});

test('a pump-down draws the suction down, and leaves the scale alone', () => {
  const setting = { system: '', cylinder: '', method: 'pump-down' as const, ambientK: 300 };
  const current = new Scene(hiddenTruth(setting, system, cylinder, new Noise(1)), new Noise(1));
  current.pass(10);
  const before = current.state();
  current.do({ act: 'valve', to: 'open' });
  current.pass(240);
  expect(current.state().suctionPa).toBeLessThan(0.3 * before.suctionPa);
  expect(current.state().headPa).toBeGreaterThan(before.headPa);
  expect(current.state().grossKg).toBeCloseTo(before.grossKg, 6);
});
