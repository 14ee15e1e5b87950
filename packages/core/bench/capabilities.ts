import { noFaults } from '../src/cycle/conditions';
import { designOf } from '../src/cycle/cycle-design';
import { solveCycle } from '../src/cycle/cycle-solve';
import { refrigerant } from '../src/fluids/refrigerant';
import { judgeHold } from '../src/proof/hold';
import { judgeRise } from '../src/proof/rise';
import type { Scenario } from '../src/twin/scenario';
import { simulate } from '../src/twin/simulate';
import { randomOf, simulateHold } from '../test/simulated-hold';
import { simulateRise } from '../test/simulated-rise';

export { besideReadings } from './beside-readings';
export { randomNetworks } from './random-networks';

interface Rate {
  readonly what: string;
  readonly of: number;
  readonly said: Readonly<Record<string, number>>;
  readonly covered: number;
  readonly ms: number;
}

const HOLDS = [
  { what: 'short hold, tight', long: false, loss: 0 },
  { what: 'short hold, leaks 3 % an hour, asked for 3', long: false, loss: 0.03 },
  { what: 'short hold, leaks 6 % an hour', long: false, loss: 0.06 },
  { what: 'long hold, tight', long: true, loss: 0 },
  { what: 'long hold, leaks 0.2 % an hour, asked for 0.2', long: true, loss: 0.002 },
  { what: 'long hold, leaks 0.5 % an hour', long: true, loss: 0.005 },
] as const;

/** Fresh holds of known truth, by a generator of another structure. @param count of each kind */
export function holdRates(count: number): readonly Rate[] {
  return HOLDS.map(({ what, long, loss }, kind) => {
    const said: Record<string, number> = {};
    let [covered, ms] = [0, 0];
    for (let k = 0; k < count; k++) {
      const { meta, readings } = simulateHold(90_000 * (kind + 1) + k, { long, lossPerHour: loss });
      const started = performance.now();
      const {
        verdict,
        interval90: [low, high],
      } = judgeHold(meta, readings, long ? 0.002 : 0.03);
      ms += performance.now() - started;
      said[verdict] = (said[verdict] ?? 0) + 1;
      if (loss >= low && loss <= high) covered++;
    }
    return { what, of: count, said, covered: covered / count, ms: ms / count };
  });
}

const RISES = [
  { what: 'rise, dry', leak: 'none', rate: 0, gas: 'none' },
  { what: 'rise, water', leak: 'none', rate: 0, gas: 'water' },
  { what: 'rise, walls give off', leak: 'none', rate: 0, gas: 'adsorbed' },
  { what: 'rise, oil gives off', leak: 'none', rate: 0, gas: 'oil' },
  { what: 'rise, leak of 5 micron/min', leak: 'system', rate: 5, gas: 'none' },
  { what: 'rise, leak of 40 micron/min', leak: 'system', rate: 40, gas: 'none' },
  { what: 'rise, leak of 10 and walls', leak: 'system', rate: 10, gas: 'adsorbed' },
  { what: 'rise, leak of 10 in the rig', leak: 'rig', rate: 10, gas: 'none' },
] as const;

/** Fresh rises of half an hour, the rig watched for five minutes after. */
export function riseRates(count: number): readonly Rate[] {
  return RISES.map(({ what, leak, rate, gas }, kind) => {
    const said: Record<string, number> = {};
    let [covered, ms] = [0, 0];
    for (let k = 0; k < count; k++) {
      const simulatedRise = simulateRise(70_000 * (kind + 1) + k, { leak, rate, gas, minutes: 30, rigPhase: true });
      const started = performance.now();
      const { verdict, leak: found } = judgeRise(simulatedRise.meta, simulatedRise.phases, 2);
      ms += performance.now() - started;
      said[verdict] = (said[verdict] ?? 0) + 1;
      if (rate >= found.interval90[0] && rate <= found.interval90[1]) covered++;
    }
    return { what, of: count, said, covered: covered / count, ms: ms / count };
  });
}

const scenario = (id: string, kg: number, method: Scenario['method']): Scenario => ({
  composition: refrigerant(id).composition,
  system: { chargeKg: kg, temperatureK: 300, condenserM3: kg * 1.3e-3, evaporatorM3: kg * 1.2e-3 },
  cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 0, temperatureK: 300, cooling: 'fan' },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: 300,
  method,
  endPa: 101_325,
});

/** How many times faster than the transfer itself, warm. */
export function twinSpeeds(): readonly { readonly what: string; readonly ms: number; readonly timesReal: number }[] {
  return (
    [
      ['R-410A, 9 kg, liquid first', scenario('R-410A', 9, 'liquid-first')],
      ['R-410A, 9 kg, vapor', scenario('R-410A', 9, 'vapour')],
      ['R-134a, 12 kg, vapor', scenario('R-134a', 12, 'vapour')],
      ['R-410A, 4 kg, pump-down', scenario('R-410A', 4, 'pump-down')],
    ] as const
  ).map(([what, own]) => {
    for (let k = 0; k < 4; k++) simulate(own, 10);
    const started = performance.now();
    const { end } = simulate(own, 10);
    const ms = performance.now() - started;
    return { what, ms, timesReal: (1000 * end.t) / ms };
  });
}

/** The running check on hidden truths of an independently written model; and random units, days and faults that have to be solved. */
export { runningCheckRates } from '../test/running-check-rates';

export function cycleRobustness(count: number): {
  readonly of: number;
  readonly unsolved: number;
  readonly beyond: number;
  readonly p99: number;
} {
  const random = randomOf(3);
  const F = (value: number) => (value + 459.67) / 1.8;
  const ids = ['R-410A', 'R-22', 'R-407C', 'R-32', 'R-454B', 'R-134a', 'R-290', 'R-448A', 'R-449A'];
  const pick = <T>(values: readonly T[]): T => values[Math.floor(random() * values.length)]!;
  const times: number[] = [];
  let [unsolved, beyond] = [0, 0];
  for (let k = 0; k < count; k++) {
    const kind = pick(['split', 'packaged', 'heat-pump', 'walk-in', 'chiller'] as const);
    const capacityW = 3000 * Math.exp(3 * random());
    const receiver = kind === 'walk-in' && random() < 0.7;
    const unit = designOf({
      composition: refrigerant(pick(ids)).composition,
      kind,
      metering: receiver ? 'txv' : pick(['orifice', 'txv', 'eev'] as const),
      capacityW,
      plateKg: (capacityW / 10_550) * 3.2 * (0.7 + 0.6 * random()),
      ...(receiver ? { receiverM3: (capacityW / 10_550) * 0.006 } : {}),
    });
    const heating = kind === 'heat-pump' && random() < 0.5;
    const conditions = heating
      ? { outdoorK: F(10 + 45 * random()), indoorK: F(65 + 10 * random()), heating }
      : kind === 'walk-in'
        ? { outdoorK: F(40 + 70 * random()), indoorK: F(25 + 20 * random()) }
        : kind === 'chiller'
          ? { outdoorK: F(50 + 55 * random()), indoorK: F(48 + 12 * random()) }
          : { outdoorK: F(60 + 50 * random()), indoorK: F(68 + 17 * random()), indoorWetBulbK: F(56 + 11 * random()) };
    const fault = pick([
      {},
      { restriction: 20 * random() },
      { indoorAir: 0.4 + 0.6 * random() },
      { outdoorAir: 0.35 + 0.65 * random() },
      { air: random() },
      { valveLeak: 0.4 * random() },
      { metering: 0.6 + 0.8 * random() },
    ]);
    const started = performance.now();
    const solved = solveCycle(unit, conditions, { ...noFaults, charge: 0.65 + 0.65 * random(), ...fault });
    times.push(performance.now() - started);
    if (solved.state === 'not' && solved.why === 'no-steady-state') unsolved++;
    if (solved.state === 'not' && solved.why === 'beyond-high-pressure') beyond++;
  }
  times.sort((a, b) => a - b);
  return { of: count, unsolved, beyond, p99: times[Math.floor(0.99 * count)]! };
}
