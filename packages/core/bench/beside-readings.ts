import { refrigerant } from '../src/fluids/refrigerant';
import { outlook } from '../src/twin/estimate/outlook';
import type { Traces } from '../src/twin/estimate/observed';
import { refit } from '../src/twin/estimate/refit';
import { AS_RECORDED, unknowns } from '../src/twin/estimate/guess';
import { tuned } from '../src/twin/estimate/unknowns';
import priors from '../src/twin/estimate/priors.json';
import type { Scenario } from '../src/twin/scenario';
import { simulate } from '../src/twin/simulate';
import { randomOf } from '../test/simulated-hold';

const CASES = ['R-410A', 'R-22', 'R-407C', 'R-32', 'R-134a'] as const;

/** A transfer by its records. */
function recorded(id: string, kg: number, ambientK: number, method: Scenario['method']): Scenario {
  return {
    composition: refrigerant(id).composition,
    system: { chargeKg: kg, temperatureK: ambientK, condenserM3: kg * 1.3e-3, evaporatorM3: kg * 1.25e-3 },
    cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 2, temperatureK: ambientK, cooling: 'still-air', stopKg: 15 },
    machine: 'two-cylinders',
    hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
    ambientK,
    method,
    endPa: 101_325,
  };
}

/**
 * What the truth has and the fit does not: other sizes of the two sides, a third or twice the oil, some air, another day. Half
 * of the truths have it.
 */
const otherStructure = (scenario: Scenario, random: () => number): Scenario => ({
  ...scenario,
  system: {
    ...scenario.system,
    condenserM3: scenario.system.condenserM3 * (0.75 + 0.5 * random()),
    evaporatorM3: scenario.system.evaporatorM3 * (0.75 + 0.5 * random()),
    oilKg: scenario.system.chargeKg * (0.03 + 0.27 * random()),
    airKg: 0.01 * random(),
  },
  cylinder: { ...scenario.cylinder, volumeM3: scenario.cylinder.volumeM3 * (0.97 + 0.06 * random()) },
  ambientK: scenario.ambientK + 4 * (random() - 0.5),
});

export interface BesideReadings {
  readonly of: number;
  readonly share: number;
  readonly gross: number;
  readonly end: number;
  /** Root mean square of the error of the end's time, over the time left. */
  readonly timeError: number;
  readonly trips: {
    readonly of: number;
    readonly foreseen: number;
    readonly within15: number;
    readonly falsely: number;
    readonly without: number;
  };
  readonly ms: number;
}

/** How often nine-in-ten ranges hold hidden truths, and how trips are foreseen, at a share of the transfer. */
export function besideReadings(count: number, share: number): BesideReadings {
  let [gross, end, error, ms, of] = [0, 0, 0, 0, 0];
  const trips = { of: 0, foreseen: 0, within15: 0, falsely: 0, without: 0 };
  for (let k = 0; k < count; k++) {
    const random = randomOf(8000 + k);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const current = recorded(CASES[k % CASES.length]!, 3 + 7 * random(), 288 + 22 * random(), k % 2 === 0 ? 'vapour' : 'liquid-first');
    const real = k % 4 < 2 ? current : otherStructure(current, random);
    const factors = unknowns.map((name) => priors.logarithms[name] * normal());
    const truth = simulate({ ...tuned(real, factors), tripsFrom: Number.POSITIVE_INFINITY }, 2);
    if (!(truth.end.t > 60)) continue;
    const now = share * truth.end.t;
    const until = truth.samples.filter(({ t }) => t <= now);
    const bias = [1 + 0.005 * normal(), 1 + 0.005 * normal()] as const;
    const read = (value: (sample: (typeof until)[number]) => number, sd: number) => ({
      t: until.map(({ t }) => t),
      value: until.map((sample) => value(sample) + sd * normal()),
    });
    const readings: Traces = {
      grossKg: read(({ grossKg }) => grossKg, 0.007),
      suctionPa: read(({ suctionPa }) => suctionPa * bias[0], 3000),
      headPa: read(({ headPa }) => headPa * bias[1], 5000),
    };
    const from = performance.now();
    // half of those who start the machine after the liquid say so
    const started = truth.events.find(({ kind, t }) => kind === 'machine-on' && t <= now);
    const deeds = started === undefined || k % 8 > 3 ? [] : [{ at: started.t, machine: 'on' as const }];
    const underway = { scenario: { ...current, deeds }, readings, now, from: AS_RECORDED };
    const coming = outlook(underway, refit(underway));
    ms += performance.now() - from;
    if (coming === undefined) continue;
    of++;
    const within = ({ low, high }: { low: number; high: number }, value: number, slack: number) =>
      value >= low - slack && value <= high + slack;
    if (within(coming.end.grossKg, truth.end.grossKg, 0.02)) gross++;
    if (within(coming.end.t, truth.end.t, 2)) end++;
    error += ((coming.end.t.likely - truth.end.t) / (truth.end.t - now)) ** 2;
    const tripS = truth.samples.find(({ t, headPa }) => t > now && headPa > coming.cutOutPa)?.t;
    const before = until.some(({ headPa }) => headPa > coming.cutOutPa);
    if (before) continue;
    if (tripS === undefined) {
      trips.without++;
      if (coming.trip !== undefined) trips.falsely++;
    } else {
      trips.of++;
      if (coming.trip !== undefined) trips.foreseen++;
      if (coming.trip !== undefined && Math.abs(coming.trip.likely - tripS) < 0.15 * (tripS - now) + 5) trips.within15++;
    }
  }
  return { of, share, gross, end, timeError: Math.sqrt(error / Math.max(1, of)), trips, ms: ms / Math.max(1, of) };
}
