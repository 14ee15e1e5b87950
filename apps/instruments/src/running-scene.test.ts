import type { System } from '@hygromet/contract/system';
import { runningCheck } from '@hygromet/core/cycle/running-check';
import { followedQuantities, followedRun, type FollowedQuantity } from '@hygromet/core/cycle/followed-run';
import { usualCapacityW } from '@hygromet/core/cycle/unit-of-kind';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { Noise } from './noise';
import { RunningScene, type RunFault, type RunSetting } from './running-scene';
import { factsOf, packOf } from './senml-pack';

const system = (more: Partial<System> = {}): System => ({
  id: '7b0d6a4e-52a1-4bb0-9a3e-1d4b6d1f0001',
  site: 'Windmill museum',
  name: 'attic',
  kind: 'split',
  refrigerant: 'R-410A',
  nameplateKg: 3.2,
  nameplateTyped: null,
  contentKg: 3.2,
  overdrawnByKg: null,
  facts: {},
  version: 1,
  changedAt: null,
  changedBy: null,
  ...more,
});
const set = (more: Partial<Pick<RunSetting, 'fault' | 'metering' | 'start' | 'heating' | 'outdoorK'>> = {}, seed = 1, of = system()) =>
  new RunningScene(
    of,
    { tareKg: 11, contentKg: 9 },
    { fault: 'none', metering: 'txv', start: 'standing', heating: false, outdoorK: 308.15, ...more },
    new Noise(seed),
  );

/** What the instruments have told after so many minutes of running. */
function followed(scene: RunningScene, minutes: number) {
  const traces: Partial<Record<FollowedQuantity, { t: number; value: number }[]>> = {};
  for (let t = 0; t <= 60 * minutes; t += 4) {
    const shown = scene.shown();
    for (const name of followedQuantities) if (shown[name] !== undefined) (traces[name] ??= []).push({ t, value: shown[name] });
    scene.pass(4);
  }
  return followedRun(refrigerant('R-410A').composition, traces);
}

function judged(fault: RunFault, seed: number) {
  const scene = set({ fault }, seed);
  scene.do({ act: 'compressor', to: 'on' });
  const { values, settled } = followed(scene, 20);
  const { outdoor, indoor, wetBulb, ...readings } = values;
  const plate = { composition: refrigerant('R-410A').composition, kind: 'split', metering: 'txv', capacityW: usualCapacityW(3.2), plateKg: 3.2 } as const; // prettier-ignore
  const conditions = { outdoorK: outdoor!, indoorK: indoor!, indoorWetBulbK: wetBulb };
  return { settled, answer: runningCheck({ plate, conditions, readings, settled }) };
}

test('a well unit is left alone, and one that lacks charge or has too much is never advised the other way', () => {
  for (const seed of [1, 2, 3]) {
    const well = judged('none', seed);
    expect(well.settled).toBe(true);
    expect(['leave', 'cannot-tell', 'not-the-charge']).toContain(well.answer.advice);
    expect(judged('undercharge', seed).answer.advice).not.toBe('remove');
    expect(judged('overcharge', seed).answer.advice).not.toBe('add');
  }
});

test('a restricted line is not filled', () => {
  for (const seed of [1, 2, 3]) expect(judged('restriction', seed).answer.advice).not.toBe('add');
});

test('an evacuated unit takes its charge from the cylinder by itself while it is no warmer, and what left the scale is in it', () => {
  const scene = set({ start: 'evacuated', outdoorK: 290 });
  expect(scene.state()).toMatchObject({ chargeKg: 0, compressor: 'off', grossKg: 20 });
  expect(scene.shown().head).toBeLessThan(1e4);
  scene.do({ act: 'feed', to: 'open' });
  scene.pass(60);
  scene.do({ act: 'feed', to: 'shut' });
  const { chargeKg, grossKg } = scene.state();
  expect(chargeKg).toBeCloseTo(1.2, 6);
  expect(grossKg + chargeKg).toBeCloseTo(20, 9);
  scene.pass(600);
  expect(scene.state().chargeKg).toBe(chargeKg);
});

test('where it is much warmer than the cylinder only part goes in by itself, and the rest is fed running', () => {
  const scene = set({ start: 'evacuated', outdoorK: 308.15 });
  scene.do({ act: 'feed', to: 'open' });
  scene.pass(3600);
  const standing = scene.state().chargeKg;
  expect(standing).toBeGreaterThan(0.5);
  expect(standing).toBeLessThan(0.3 * 3.2);
  scene.do({ act: 'compressor', to: 'on' });
  scene.pass(300);
  expect(scene.state().chargeKg).toBeGreaterThan(standing);
});

test('rain brings the head down, a fault that is put right comes back to where it belongs, and a probe that is off says nothing', () => {
  const scene = set({ fault: 'dirty-condenser' });
  scene.do({ act: 'compressor', to: 'on' });
  scene.do({ act: 'speed', to: 60 });
  scene.pass(20);
  const dirty = scene.state().headPa;
  scene.do({ act: 'put-right' });
  scene.pass(20);
  const clean = scene.state().headPa;
  expect(clean).toBeLessThan(dirty - 1e5);
  scene.do({ act: 'rain', to: 'on' });
  scene.pass(20);
  expect(scene.state().headPa).toBeLessThan(clean - 5e4);
  scene.do({ act: 'probe', probe: 'head', to: 'off' });
  expect(scene.shown().head).toBeUndefined();
  scene.do({ act: 'compressor', to: 'off' });
  scene.pass(30);
  expect(scene.state().superheatK).toBeGreaterThan(0);
});

test('each instrument is told once, with what it is; each reading under its own name', () => {
  const shown = { head: 2.6e6, indoor: 299, wetBulb: 292, gross: 20 };
  const facts = factsOf(shown, { speed: 60, since: 1_795_953_000 }, 90, 1_795_953_600);
  expect(facts.filter(({ n }) => n === 'kind').map(({ vs }) => vs)).toEqual(['pressure probe', 'psychrometer', 'scale']);
  expect(packOf(shown, 1_795_953_600).map(({ n }) => n)).toEqual([
    'urn:dev:ser:probe-high:head',
    'urn:dev:ser:air-return:indoor',
    'urn:dev:ser:air-return:wetBulb',
    'urn:dev:ser:scale-1:gross',
  ]);
});

test('a heat pump that heats warms its house, and nothing else heats', () => {
  const pump = system({ kind: 'heat-pump', refrigerant: 'R-454B', nameplateKg: 1.4 });
  const scene = set({ heating: true, outdoorK: 281 }, 1, pump);
  scene.do({ act: 'compressor', to: 'on' });
  scene.do({ act: 'speed', to: 60 });
  scene.pass(20);
  const { supply, indoor, wetBulb } = scene.shown();
  expect(supply! - indoor!).toBeGreaterThan(8);
  expect(wetBulb).toBeUndefined();
  expect(scene.state().subcoolingK).toBeGreaterThan(3);
  expect(() => set({ heating: true })).toThrow('Only a heat pump heats.');
});

test('a kind whose running is not modelled is refused with a sentence, a cold room has its receiver', () => {
  expect(() => set({}, 1, system({ kind: 'vehicle' }))).toThrow(/not modelled/);
  const room = set({ start: 'evacuated', outdoorK: 269 }, 1, system({ kind: 'walk-in', refrigerant: 'R-448A', nameplateKg: 6 }));
  room.do({ act: 'feed', to: 'open' });
  room.pass(400);
  expect(room.state().chargeKg).toBeCloseTo(6, 0);
  room.do({ act: 'compressor', to: 'on' });
  room.pass(300);
  expect(room.state().compressor).toBe('on');
});
