import { refrigerant } from '../src/fluids/refrigerant';
import { noFaults, type Conditions, type Faults } from '../src/cycle/conditions';
import { ratingOf } from '../src/cycle/cycle-design';
import { baseReadings, nextReadings, sigmaOfReading, type NextReading, type ReadingName, type Readings } from '../src/cycle/cycle-readings';
import { explain, predictionsOf, type Explained } from '../src/cycle/explanations';
import { hypothesisCodes, severities, type HypothesisCode } from '../src/cycle/hypothesis';
import { cloudOf, unknownUnit } from '../src/cycle/knowledge';
import { learnUnit } from '../src/cycle/learn-unit';
import { tellingReadings } from '../src/cycle/next-reading';
import { adviceOf } from '../src/cycle/advice';
import type { UnitPlate } from '../src/cycle/unit';
import { HiddenUnit } from './simulated-unit';
import { normalOf, randomOf } from './simulated-hold';

/** What an instrument alone may be off, without what the model does not know. */
const NOISE: Partial<Record<ReadingName, number>> = {
  suctionLine: 0.56,
  liquidLine: 0.56,
  supply: 0.39,
  discharge: 0.56,
  condenserAir: 0.39,
  meteringInlet: 0.56,
  supplyWetBulb: 0.39,
  headZero: 4000,
  suctionZero: 4000,
  standing: 14_000,
  airflow: 0.07,
  outdoorCoil: 0.15,
};

export type Kind = 'unknown' | 'random' | 'chosen' | 'learned' | 'learned-chosen';

export interface Rates {
  readonly of: number;
  readonly first: number;
  readonly two: number;
  /** Statements of nine in ten and more, and how many of them are wrong. */
  readonly sure: number;
  readonly wrong: number;
  /** rms of the charge where it is the question, share. */
  readonly charge: number;
  /** Advice to add or to remove that does harm; and advice that is right. */
  readonly harm: number;
  readonly right: number;
  readonly ms: number;
}

const same = (code: HypothesisCode | 'none-of-these'): string => (code === 'metering-under' ? 'restriction' : code);
/** Equally frequent, as they are drawn here. */
const even = (): number => 1 / hypothesisCodes.length;

/** How often the running check is right, of so many hidden truths. */
export function runningCheckRates(kind: Kind, count: number, firstSeed = 1): Rates {
  const random = randomOf(1000 + firstSeed);
  const normal = normalOf(random);
  let [of, first, two, sure, wrong, charges, squares, harm, right, ms] = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (let seed = firstSeed; of < count && seed < firstSeed + 4 * count; seed++) {
    const plate: UnitPlate = {
      composition: refrigerant(['R-410A', 'R-410A', 'R-22', 'R-32', 'R-454B'][Math.floor(random() * 5)]!).composition,
      kind: 'split',
      metering: random() < 0.5 ? 'orifice' : 'txv',
      capacityW: 10_550,
      plateKg: 3.2,
    };
    const hidden = HiddenUnit.drawn(plate, seed);
    if (hidden === undefined) continue;
    const code = hypothesisCodes[Math.floor(random() * hypothesisCodes.length)]!;
    const grid = severities.filter((severity) => severity.code === code);
    const faults = between(
      grid.map((severity) => severity.faults),
      random(),
    );
    const conditions = weather(random);
    const true_ = hidden.readings(conditions, faults);
    if (true_ === undefined) continue;
    let knowledge = unknownUnit;
    if (kind.startsWith('learned')) {
      const good = weather(random);
      const seen = hidden.readings(good, noFaults);
      if (seen === undefined) continue;
      knowledge = learnUnit(plate, misread(good, normal), read(seen, [...baseReadings, 'discharge'], normal)) ?? unknownUnit;
    }
    of++;
    const started = performance.now();
    const predictions = predictionsOf(cloudOf(plate, knowledge), misread(conditions, normal));
    let readings: Readings = read(true_, baseReadings, normal);
    let explained = explain(predictions, readings, { prior: even });
    if (kind.endsWith('chosen') || kind === 'random') {
      const name =
        kind === 'random'
          ? nextReadings[Math.floor(random() * nextReadings.length)]!
          : tellingReadings(explained.weighed, readings)[0]!.name;
      readings = { ...readings, ...read(true_, [name satisfies NextReading], normal) };
      explained = explain(predictions, readings, { prior: even });
    }
    ms += performance.now() - started;
    const [best, second] = merged(explained);
    if (best!.code === same(code)) first++;
    if (best!.code === same(code) || second!.code === same(code)) two++;
    if (best!.probability >= 0.9) {
      sure++;
      if (best!.code !== same(code)) wrong++;
    }
    if (['ok', 'undercharge', 'overcharge'].includes(code) && explained.chargeShare !== undefined) {
      charges++;
      squares += (explained.chargeShare.value - faults.charge) ** 2;
    }
    const advice = adviceOf(explained.explanations);
    const [under, over] = [code === 'undercharge', code === 'overcharge'];
    if ((advice === 'add' && !under) || (advice === 'remove' && !over)) harm++;
    if ((advice === 'add') === under && (advice === 'remove') === over) right++;
  }
  return { of, first, two, sure, wrong, charge: Math.sqrt(squares / Math.max(1, charges)), harm, right, ms: ms / of };
}

/** Restriction and underfeeding device are one until the temperature at the device is read. */
function merged({ explanations }: Explained): readonly { readonly code: string; readonly probability: number }[] {
  const sums = new Map<string, number>();
  for (const { code, probability } of explanations) sums.set(same(code), (sums.get(same(code)) ?? 0) + probability);
  return [...sums].map(([code, probability]) => ({ code, probability })).sort((a, b) => b.probability - a.probability);
}

function between(grid: readonly Faults[], share: number): Faults {
  const place = share * (grid.length - 1);
  const [low, high] = [grid[Math.floor(place)]!, grid[Math.ceil(place)]!];
  const names = Object.keys(noFaults) as (keyof Faults)[];
  // a gauge is off in one direction or the other, not in between
  if (low.suctionGauge * high.suctionGauge < 0 || low.headGauge * high.headGauge < 0) return low;
  return Object.fromEntries(names.map((name) => [name, low[name] + (place % 1) * (high[name] - low[name])])) as unknown as Faults;
}

function weather(random: () => number): Conditions {
  const F = (value: number) => (value + 459.67) / 1.8;
  const indoor = 72 + 11 * random();
  return {
    ...ratingOf({ kind: 'split' } as UnitPlate),
    outdoorK: F(72 + 33 * random()),
    indoorK: F(indoor),
    indoorWetBulbK: F(indoor - 8 - 10 * random()),
  };
}

const misread = (conditions: Conditions, normal: () => number): Conditions => ({
  ...conditions,
  outdoorK: conditions.outdoorK + 0.39 * normal(),
  indoorK: conditions.indoorK + 0.39 * normal(),
  ...(conditions.indoorWetBulbK === undefined
    ? {}
    : { indoorWetBulbK: Math.min(conditions.indoorK, conditions.indoorWetBulbK + 0.39 * normal()) }),
});

const read = (entry: Record<ReadingName, number>, names: readonly ReadingName[], normal: () => number): Readings =>
  Object.fromEntries(
    names.map((name) => [
      name,
      entry[name] + (NOISE[name] ?? Math.min(sigmaOfReading(name, entry[name]), Math.max(9000, 0.007 * entry[name]))) * normal(),
    ]),
  );
