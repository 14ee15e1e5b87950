import { judgeHold } from '@hygromet/core/proof/hold';
import { judgePullDown } from '@hygromet/core/proof/pull-down';
import { PASCAL_PER_PSI } from '@hygromet/core/proof/trace';
import { PASCAL_PER_MICRON } from '@hygromet/core/proof/water';
import { Noise } from './noise';
import { ProofScene, type Leak } from './proof-scene';

const AIR = 101_325;
const scene = (leak: Leak, more: { wet?: boolean; seed?: number } = {}) =>
  new ProofScene(0.01, { leak, wet: more.wet ?? false, ambientK: 295 }, new Noise(more.seed ?? 1));

/** What probe, clamp and thermometer show, a reading every ten seconds. */
function held(leak: Leak, minutes: number, seed = 1) {
  const current = scene(leak, { seed });
  current.do({ act: 'nitrogen', gaugePa: 300 * PASCAL_PER_PSI });
  current.pass(600);
  const readings: { timeS: number[]; pressurePsig: number[]; airC: number[]; pipeC: number[] } = {
    timeS: [],
    pressurePsig: [],
    airC: [],
    pipeC: [],
  };
  for (let t = 0; t <= 60 * minutes; t += 10) {
    const { head, air, wall } = current.shown();
    if (head !== undefined && air !== undefined && wall !== undefined) {
      readings.timeS.push(t);
      readings.pressurePsig.push((head - AIR) / PASCAL_PER_PSI);
      readings.airC.push(air - 273.15);
      readings.pipeC.push(wall - 273.15);
    }
    current.pass(10);
  }
  const meta = {
    ...{ volumeLiter: 10, volumeKnownTo: 0.2, setPressurePsig: 300, barometerPa: AIR, gaugeResolutionPsi: 0.1, gaugeSpanPsi: 800 },
    ...{ gaugeAccuracyShare: 0.01, secondsSinceFilling: 600, startHour: 10, oilLiter: 0, refrigerantMayRemain: false },
    thermometers: ['air', 'pipe'] as const,
  };
  return judgeHold(meta, readings, 0.03);
}

test('a hold of the simulated instruments is judged by what really is', () => {
  expect(held('large', 30).verdict).toBe('leaking');
  expect(held('none', 45).verdict).toBe('tight');
  for (const seed of [1, 2, 3, 4]) expect(held('none', 30, seed).verdict).not.toBe('leaking');
});

/** Micron a minute that the gauge rises, shut in for so many minutes after an hour of pumping. */
function rise(leak: Leak, valve: 'open' | 'shut', more: { wet?: boolean } = {}): number {
  const current = scene(leak, more);
  current.do({ act: 'pump', to: 'on' });
  current.pass(7200);
  if (valve === 'shut') current.do({ act: 'system-valve', to: 'shut' });
  current.do({ act: 'pump', to: 'off' });
  const average = () => Array.from({ length: 40 }, () => current.shown().vacuum ?? 0).reduce((sum, p) => sum + p / 40, 0);
  const before = average();
  current.pass(600);
  return (average() - before) / PASCAL_PER_MICRON / 10;
}

test('a vacuum that is shut in stays where it is dry and tight, rises where it leaks, and in the hose where the hose does', () => {
  expect(rise('none', 'open')).toBeLessThan(3);
  expect(rise('large', 'open')).toBeGreaterThan(60);
  expect(rise('large', 'shut')).toBeLessThan(1);
  expect(rise('own-hose', 'open')).toBeGreaterThan(30);
  expect(rise('own-hose', 'shut')).toBeGreaterThan(500);
});

test('water holds the vacuum where its own pressure is', () => {
  const current = scene('none', { wet: true });
  current.do({ act: 'pump', to: 'on' });
  const [timeS, micron]: [number[], number[]] = [[], []];
  for (let t = 0; t < 1200; t += 20) {
    const { vacuum } = current.shown();
    if (vacuum !== undefined) {
      timeS.push(t);
      micron.push(vacuum / PASCAL_PER_MICRON);
    }
    current.pass(20);
  }
  expect(micron.at(-1)).toBeGreaterThan(3000);
  expect(current.state().waterKg).toBeLessThan(0.02);
  const meta = { volumeLiter: 10, hose: '3/8', lengthM: 1.5, core: 'out', ambientC: 21.85, targetMicron: 500 } as const;
  expect(judgePullDown(meta, { timeS, micron }).verdict).toBe('liquid-water');
});

test('beyond its range the micron gauge shows nothing, and a probe that is off nothing at all', () => {
  const current = scene('none');
  expect(current.shown().vacuum).toBeUndefined();
  current.do({ act: 'probe', probe: 'wall', to: 'off' });
  expect(current.shown().wall).toBeUndefined();
  current.do({ act: 'probe', probe: 'wall', to: 'on' });
  expect([0, 1, 2].some(() => current.shown().wall !== undefined)).toBe(true);
});

test('at sixty times the speed a minute of ours is an hour there', () => {
  const current = scene('small');
  current.do({ act: 'nitrogen', gaugePa: 2e6 });
  current.do({ act: 'speed', to: 60 });
  current.pass(60);
  expect(current.state().t).toBeCloseTo(3600, 0);
  expect(current.state().nitrogenPa).toBeLessThan(2e6 + AIR);
});
