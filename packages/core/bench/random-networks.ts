import { simulate } from '../src/twin/simulate';
import { randomTransfer } from '../test/random-transfer';

/** The first transfers of so many seeds that can be: how many failed, and how far mass and energy were off at worst. */
export function randomNetworks(count: number) {
  let [of, failed, mass, energy, time] = [0, 0, 0, 0, 0];
  const started = performance.now();
  for (let seed = 0; of < count; seed++) {
    const scenario = randomTransfer(seed);
    if (scenario === undefined) continue;
    of++;
    try {
      const { balance, end, samples } = simulate(scenario, 60);
      mass = Math.max(mass, balance.mass);
      energy = Math.max(energy, balance.energy);
      time += end.t;
      const whole = samples.every(({ headPa, suctionPa, cylinderK }) => Number.isFinite(headPa + suctionPa + cylinderK));
      if (!whole || !(balance.mass < 1e-12) || !(balance.energy < 1e-12)) failed++;
    } catch {
      failed++;
    }
  }
  return { of, failed, mass, energy, timesReal: (1000 * time) / (performance.now() - started) };
}
