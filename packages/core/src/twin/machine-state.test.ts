import { refrigerant } from '../fluids/refrigerant';
import { celsius } from '../units/temperature';
import { machineDeed, machineStates, type MachineState } from './machine-state';
import type { Scenario } from './scenario';
import { simulate } from './simulate';

const scenario: Scenario = {
  composition: refrigerant('R-410A').composition,
  system: { chargeKg: 6, temperatureK: celsius(27), condenserM3: 8e-3, evaporatorM3: 8e-3 },
  cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 3, temperatureK: celsius(27), cooling: 'still-air' },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: celsius(27),
  method: 'vapour',
  endPa: 101_325,
};
/** kg that came in 100 s after a minute of ordinary running. */
const cameIn = (state: MachineState) => {
  const { samples } = simulate({ ...scenario, deeds: [machineDeed(60, state)] }, 10, 170);
  const at = (t: number) => samples.find((sample) => sample.t === t)!.grossKg;
  return at(160) - at(60);
};

test('a machine that runs brings most, throttled less; one that loops or stands brings nothing from the system', () => {
  const { on, throttled, loop, purge, off } = Object.fromEntries(machineStates.map((state) => [state, cameIn(state)])) as Record<
    MachineState,
    number
  >;
  expect(on).toBeGreaterThan(1.2 * throttled);
  expect(throttled).toBeGreaterThan(3 * Math.abs(loop));
  expect(Math.abs(loop)).toBeLessThan(0.15);
  expect(purge).toBeGreaterThan(loop);
  expect(purge).toBeLessThan(0.6);
  expect(Math.abs(off)).toBeLessThan(0.15);
});

test('each state ends the one before', () => {
  const deeds = [machineDeed(60, 'loop'), machineDeed(90, 'throttled'), machineDeed(120, 'off'), machineDeed(150, 'on')];
  const { samples } = simulate({ ...scenario, deeds }, 10, 300);
  const at = (t: number) => samples.find((sample) => sample.t === t)!.grossKg;
  expect(at(120)).toBeGreaterThan(at(90) + 0.1);
  expect(at(150)).toBeLessThan(at(130) + 0.1);
  expect(at(300)).toBeGreaterThan(at(160) + 0.5);
});

// the liquid goes by its own pressure; who loops the cylinder meanwhile has not begun to draw from the system
test('a machine that is started after the liquid draws from then on; a loop starts nothing', () => {
  const liquid = { ...scenario, method: 'liquid-first' as const };
  const started = (state: MachineState) =>
    simulate({ ...liquid, deeds: [machineDeed(20, state)] }, 10, 40).events.some(({ kind }) => kind === 'machine-on');
  expect(started('on')).toBe(true);
  expect(started('loop')).toBe(false);
});

test('what stands in the condenser of the machine comes into the cylinder by a purge, and nothing of the system with it', () => {
  const warm = { ...scenario, cylinder: { ...scenario.cylinder, temperatureK: celsius(45) } };
  const { samples } = simulate({ ...warm, deeds: [machineDeed(200, 'purge')] }, 10, 300);
  const at = (t: number) => samples.find((sample) => sample.t === t)!;
  expect(at(290).grossKg - at(200).grossKg).toBeGreaterThan(0.04);
  expect(at(290).grossKg - at(200).grossKg).toBeLessThan(0.5);
  expect(at(290).systemKg).toBeCloseTo(at(200).systemKg, 1);
});
