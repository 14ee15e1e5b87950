import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { noFaults, type Conditions, type Faults } from './conditions';
import { derivedOf, readingNames, readingsOf, sigmaOfReading, type Derived, type ReadingName } from './cycle-readings';
import { sceneOf } from './cycle-state';
import { solveCycle } from './cycle-solve';
import type { UnitCloud } from './knowledge';
import { predict } from './prediction';
import readings from './readings.json';

export interface Band {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** K, and Pa absolute: what each should be today if nothing is wrong, nine times of ten. */
export type Expected = Readonly<Record<keyof Derived | 'suction' | 'head', Band>>;

/** Whether a band is narrow enough to say anything: in some weathers a unit without head control may read nearly everything. */
export const tells = (name: keyof Expected, { low, likely, high }: Band): boolean =>
  name === 'suction' || name === 'head' ? high - low <= readings.bandTells.share * likely : high - low <= readings.bandTells.K;

const NINE_OF_TEN = 1.645;
type All = Record<ReadingName, number>;

/** What a good unit of this plate reads in today's weather. Nothing where it has no steady state there. */
export function expectedToday(cloud: UnitCloud, conditions: Conditions): Expected | undefined {
  const prediction = predict(cloud, conditions, noFaults);
  if (prediction === undefined) return undefined;
  const scene = sceneOf(cloud.likely, conditions, noFaults);
  const shown = (value: All): Record<keyof Expected, number> => {
    const derived = derivedOf(scene, value) as Derived; // all readings are there
    return { ...derived, suction: value.suction, head: value.head };
  };
  const base = shown(prediction.value);
  const moved: readonly All[] = [
    ...prediction.slopes.map((slope) => eachReading((name) => prediction.value[name] + slope[name])),
    ...readingNames.map((readingName) =>
      eachReading((name) => prediction.value[name] + (name === readingName ? sigmaOfReading(name, prediction.value[name]) : 0)),
    ),
  ];
  const names = Object.keys(base) as (keyof Expected)[]; // the keys of the record
  const variance = Object.fromEntries(names.map((name) => [name, 0])) as Record<keyof Expected, number>;
  for (const value of moved) {
    const current = shown(value);
    for (const name of names) variance[name] += (current[name] - base[name]) ** 2;
  }
  return Object.fromEntries(
    names.map((name) => {
      const reach = NINE_OF_TEN * Math.sqrt(variance[name]);
      return [name, { low: base[name] - reach, likely: base[name], high: base[name] + reach }];
    }),
  ) as unknown as Expected;
}

const eachReading = (of: (name: ReadingName) => number): All => Object.fromEntries(readingNames.map((name) => [name, of(name)])) as All;

/** Something of today that moves a reading, and by how much: Pa or K. */
export interface Skew {
  readonly by: 'rain' | 'indoors' | 'outdoors' | 'altitude' | 'suction-gauge' | 'head-gauge';
  readonly of: 'head' | 'suction' | 'superheat' | 'subcooling';
  readonly amount: number;
}

/** The day on which a unit is rated, and against which today is compared. */
const RATED = { outdoorK: 308.15, indoorK: 299.82, indoorWetBulbK: 292.59 };
const WORTH = { pa: 14_000, K: 0.6 };

/** What skews the readings today, beside what a chart for the rating point would say. */
export function skewsOf(
  { likely }: UnitCloud,
  conditions: Conditions,
  faults: Pick<Faults, 'suctionGauge' | 'headGauge'>,
): readonly Skew[] {
  const at = (conditions: Conditions) => {
    const solved = solveCycle(likely, conditions);
    if (solved.state === 'not') return undefined;
    const scene = sceneOf(likely, conditions, noFaults);
    const value = readingsOf(scene, solved.cycle);
    return { ...value, ...(derivedOf(scene, value) as Derived) };
  };
  const today = at(conditions);
  if (today === undefined) return [];
  const { plate } = likely;
  const airSide = plate.kind !== 'chiller' && plate.kind !== 'walk-in' && conditions.heating !== true;
  const dry = conditions.rain === true ? at({ ...conditions, rain: false }) : undefined;
  const inside = airSide ? at({ ...conditions, indoorK: RATED.indoorK, indoorWetBulbK: RATED.indoorWetBulbK }) : undefined;
  const outside = airSide ? at({ ...conditions, outdoorK: RATED.outdoorK, rain: false }) : undefined;
  const low = at({ ...conditions, atmospherePa: STANDARD_ATMOSPHERE });
  const shows = plate.metering === 'orifice' ? ('superheat' as const) : ('suction' as const);
  const skews: readonly Skew[] = [
    ...(dry === undefined ? [] : [{ by: 'rain' as const, of: 'head' as const, amount: today.head - dry.head }]),
    ...(inside === undefined ? [] : [{ by: 'indoors' as const, of: shows, amount: today[shows] - inside[shows] }]),
    ...(outside === undefined ? [] : [{ by: 'outdoors' as const, of: 'head' as const, amount: today.head - outside.head }]),
    ...(low === undefined ? [] : [{ by: 'altitude' as const, of: 'head' as const, amount: today.head - low.head }]),
    { by: 'suction-gauge', of: 'suction', amount: faults.suctionGauge },
    { by: 'head-gauge', of: 'head', amount: faults.headGauge },
  ];
  return skews.filter(({ of, amount }) => Math.abs(amount) > (of === 'head' || of === 'suction' ? WORTH.pa : WORTH.K));
}
