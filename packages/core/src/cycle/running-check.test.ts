import { refrigerant } from '../fluids/refrigerant';
import { temperatureFrom } from '../units/temperature';
import { runningCheckRates } from '../../test/running-check-rates';
import { adviceOf } from './advice';
import { noFaults, type Conditions, type Faults } from './conditions';
import { expectedToday, tells } from './expected-today';
import { cloudOf } from './knowledge';
import { designOf, ratingOf } from './cycle-design';
import { readingsOf, type ReadingName, type Readings } from './cycle-readings';
import { solveCycle } from './cycle-solve';
import { sceneOf } from './cycle-state';
import type { ExplanationCode } from './explanations';
import { learnUnit } from './learn-unit';
import { runningCheck, type CheckTask } from './running-check';
import { seasonsOf } from './seasons';
import { isSettled, type Moment } from './settled';
import type { UnitPlate } from './unit';

const F = (value: number) => temperatureFrom(value, 'F');
const plate = (more: Partial<UnitPlate> = {}): UnitPlate => ({
  composition: refrigerant('R-410A').composition,
  kind: 'split',
  metering: 'txv',
  capacityW: 10_550,
  plateKg: 3.2,
  ...more,
});
const BASE: readonly ReadingName[] = ['head', 'suction', 'suctionLine', 'liquidLine', 'supply'];

/** What a unit as the model has it reads. */
function read(unitPlate: UnitPlate, conditions: Conditions, more: Partial<Faults> = {}, names = BASE): Readings {
  const faults = { ...noFaults, ...more };
  const unit = designOf(unitPlate);
  const solved = solveCycle(unit, conditions, faults);
  if (solved.state === 'not') throw new Error(solved.why);
  const all = readingsOf(sceneOf(unit, conditions, faults), solved.cycle);
  return Object.fromEntries(names.map((name) => [name, all[name]]));
}
const check = (unitPlate: UnitPlate, more: Partial<Faults>, task: Partial<CheckTask> = {}) => {
  const conditions = task.conditions ?? ratingOf(unitPlate);
  return runningCheck({ plate: unitPlate, conditions, readings: read(unitPlate, conditions, more), settled: true, ...task });
};
const first = (answer: ReturnType<typeof runningCheck>): ExplanationCode | undefined => answer.explanations[0]?.code;

test.each([
  ['ok', {}, 'leave'],
  ['undercharge', { charge: 0.8 }, 'add'],
  ['overcharge', { charge: 1.22 }, 'remove'],
  ['indoor-airflow', { indoorAir: 0.6 }, 'not-the-charge'],
  ['outdoor-airflow', { outdoorAir: 0.45 }, 'not-the-charge'],
  ['compressor-valves', { valveLeak: 0.3 }, 'not-the-charge'],
] as const)('%s is named, and what follows for the charge', (code, more, advice) => {
  const answer = check(plate(), more);
  expect([first(answer), answer.advice]).toEqual([code, advice]);
});

// "adds refrigerant to a restricted line": the rule of thumb does, the check does not (common practice).
test('a restricted line that practice would have filled is not filled', () => {
  const unitPlate = plate({ metering: 'orifice' });
  const answer = check(unitPlate, { restriction: 22 });
  expect(answer.thumb?.says).toBe('add');
  expect(answer.advice).not.toBe('add');
  expect(answer.explanations.slice(0, 2).map(({ code }) => code)).toContain('restriction');
  expect(answer.next[0]?.name).toBe('meteringInlet');
});

test('what is missing is told with its range, and less of it is fed than is likely missing', () => {
  const answer = check(plate(), { charge: 0.82 });
  const { value, range90 } = answer.chargeShare!;
  expect(Math.abs(value - 0.82)).toBeLessThan(0.05);
  expect(range90[0]).toBeLessThan(0.82);
  expect(range90[1]).toBeGreaterThan(0.82);
  expect(answer.changeKg).toBeLessThan((1 - value) * 3.2);
  expect(answer.changeKg).toBeGreaterThan(0.3);
});

test.each([
  ['not settled', { settled: false }, {}, 'not-settled'],
  ['nobody says whether it has settled', { settled: undefined }, {}, 'not-settled'],
  ['a cool house', { conditions: { outdoorK: F(80), indoorK: F(62), indoorWetBulbK: F(54) } }, {}, 'cool-indoors'],
  ['a receiver', {}, { kind: 'walk-in', capacityW: 8000, plateKg: 6, receiverM3: 0.006 }, 'receiver'],
] as const)('%s: nothing is said of the charge', (_, task, entry, withheld) => {
  const answer = check(plate(entry), { charge: 0.8 }, task);
  expect([answer.withheld, answer.changeKg]).toEqual([withheld, 0]);
  expect(['cannot-tell', 'not-the-charge']).toContain(answer.advice);
});

test('without a settled circuit it is never surer than with one', () => {
  for (const more of [{ charge: 0.8 }, { charge: 1.2 }, {}, { indoorAir: 0.6 }]) {
    const [settled, not] = [check(plate(), more), check(plate(), more, { settled: false })];
    expect(not.explanations[0]!.probability).toBeLessThanOrEqual(settled.explanations[0]!.probability + 0.02);
  }
});

test.each([
  ['suction above head', { head: 8e5, suction: 2.6e6 }, 'suction-above-head'],
  ['liquid warmer than condensing', { liquidLine: F(140) }, 'liquid-above-condensing'],
  ['a suction line colder than its saturation', { suctionLine: F(20) }, 'wet-superheat'],
  ['supply warmer than return', { supply: F(90) }, 'supply-not-cooled'],
  ['a gauge in bar on a field of psi', { head: 101_325 + 27 * 6894.76 }, 'head-below-outdoors'],
] as const)('%s is asked back, and nothing is judged', (_, wrong, slip) => {
  const conditions = ratingOf(plate());
  const answer = runningCheck({ plate: plate(), conditions, readings: { ...read(plate(), conditions), ...wrong }, settled: true });
  expect(answer.slips).toContain(slip);
  expect([answer.advice, answer.withheld, answer.explanations]).toEqual(['cannot-tell', 'slip', []]);
});

test('a wet bulb above the dry bulb is a slip; a reading that is missing is no zero', () => {
  const conditions = { ...ratingOf(plate()), indoorWetBulbK: F(84) };
  expect(runningCheck({ plate: plate(), conditions, readings: read(plate(), ratingOf(plate())), settled: true }).slips).toEqual([
    'wet-bulb-above-dry',
  ]);
  const few = runningCheck({ plate: plate(), conditions: ratingOf(plate()), readings: { head: 2.8e6 }, settled: true });
  expect([few.withheld, few.advice]).toEqual(['too-few-readings', 'cannot-tell']);
});

test('a gauge whose zero is known to be a little off is read as it should be', () => {
  const conditions = ratingOf(plate());
  const readings = read(plate(), conditions);
  const off = { ...readings, suction: readings.suction! + 20_000, suctionZero: 20_000 };
  const answer = runningCheck({ plate: plate(), conditions, readings: off, settled: true });
  expect(first(answer)).toBe('ok');
  expect(answer.skews.find(({ by }) => by === 'suction-gauge')?.amount).toBe(20_000);
});

test('what it should read today is a band, and rain is named with what it does to the head', () => {
  const conditions = { ...ratingOf(plate()), outdoorK: F(68), rain: true };
  const answer = runningCheck({ plate: plate(), conditions, readings: read(plate(), conditions), settled: true });
  for (const { low, likely, high } of Object.values(answer.expected!)) expect(low < likely && likely < high).toBe(true);
  expect(answer.skews.find(({ by }) => by === 'rain')!.amount).toBeLessThan(-50_000);
});

// Thin air carries less heat for the same fan (common practice: derate by the density of the air).
test('in thin air the head is higher, and that is named and not taken for a fault', () => {
  const high: Conditions = { ...ratingOf(plate()), atmospherePa: 83_000 };
  const [there, sea] = [read(plate(), high), read(plate(), ratingOf(plate()))];
  expect(there.head! - sea.head!).toBeGreaterThan(50_000);
  const answer = check(plate(), {}, { conditions: high });
  expect([first(answer), answer.advice]).toEqual(['ok', 'leave']);
  expect(answer.skews.find(({ by }) => by === 'altitude')?.amount).toBeCloseTo(there.head! - sea.head!, -3);
  const blind = runningCheck({ plate: plate(), conditions: ratingOf(plate()), readings: there, settled: true });
  const fine = (entry: typeof blind) => entry.explanations.find(({ code }) => code === 'ok')?.probability ?? 0;
  expect(fine(blind)).toBeLessThan(fine(answer));
});

test('the next reading that is named tells the most of those that are missing, and none that was read', () => {
  const answer = check(plate({ metering: 'orifice' }), { restriction: 12 });
  const bits = answer.next.map((entry) => entry.bits);
  expect(bits).toEqual([...bits].sort((a, b) => b - a));
  expect(bits[0]).toBeGreaterThan(0);
  const { name } = answer.next[0]!;
  const conditions = ratingOf(plate());
  const more = runningCheck({
    plate: plate({ metering: 'orifice' }),
    conditions,
    readings: read(plate({ metering: 'orifice' }), conditions, { restriction: 12 }, [...BASE, name]),
    settled: true,
  });
  expect(more.next.map((entry) => entry.name)).not.toContain(name);
  expect(more.explanations[0]!.probability).toBeGreaterThan(answer.explanations[0]!.probability - 0.05);
});

test('a unit that was charged by weight and runs well is judged by its own numbers the next time', () => {
  const unitPlate = plate({ metering: 'orifice' });
  // this one condenses 4 °F hotter and has a larger evaporator than usual
  const odd = designOf(unitPlate, { ...designOf(unitPlate).guesses, ctoaK: 13.5, suctionK: 282 });
  const at = (conditions: Conditions, more: Partial<Faults> = {}): Readings => {
    const faults = { ...noFaults, ...more };
    const solved = solveCycle(odd, conditions, faults);
    if (solved.state === 'not') throw new Error(solved.why);
    const all = readingsOf(sceneOf(odd, conditions, faults), solved.cycle);
    return Object.fromEntries(BASE.map((name) => [name, all[name]]));
  };
  const good: Conditions = { outdoorK: F(90), indoorK: F(76), indoorWetBulbK: F(64) };
  const knowledge = learnUnit(unitPlate, good, at(good))!;
  const today: Conditions = { outdoorK: F(82), indoorK: F(78), indoorWetBulbK: F(66) };
  const ask = (more: Partial<Faults>, known: boolean) =>
    runningCheck({ plate: unitPlate, conditions: today, readings: at(today, more), settled: true, ...(known ? { knowledge } : {}) });
  const width = (answer: ReturnType<typeof ask>) => answer.expected!.head.high - answer.expected!.head.low;
  expect(width(ask({}, true))).toBeLessThan(0.5 * width(ask({}, false)));
  const of = (answer: ReturnType<typeof ask>) => answer.explanations.find(({ code }) => code === 'ok')?.probability ?? 0;
  expect(of(ask({}, true))).toBeGreaterThan(of(ask({}, false)));
  expect(first(ask({ charge: 0.85 }, true))).toBe('undercharge');
});

test('it is settled once a line through four minutes is level; hunting does not upset it', () => {
  const moments = (of: (t: number) => number): Moment[] =>
    Array.from({ length: 13 }, (_, k) => ({ atS: 30 * k, superheat: of(30 * k), subcooling: 5 }));
  expect(isSettled(moments(() => 6))).toBe(true);
  expect(isSettled(moments((t) => 6 + 8 * Math.exp(-t / 200)))).toBe(false);
  expect(isSettled(moments((t) => 6 + 0.8 * Math.sin(t / 17)))).toBe(true);
  expect(isSettled(moments(() => 6).slice(0, 2))).toBeUndefined();
});

test('in doubt the charge is left', () => {
  const of = (entries: Partial<Record<ExplanationCode, number>>) =>
    adviceOf(Object.entries(entries).map(([code, probability]) => ({ code: code as ExplanationCode, probability })));
  expect(of({ undercharge: 0.5, overcharge: 0.3, ok: 0.2 })).toBe('cannot-tell');
  expect(of({ undercharge: 0.75 })).toBe('add');
  expect(of({ air: 0.4, overcharge: 0.5 })).toBe('cannot-tell');
  expect(of({ ok: 0.6, undercharge: 0.4 })).toBe('leave');
});

// Truths of an independently written model with other coils, voids and compressor (`test/simulated-unit.ts`). No threshold was tuned on them;
// three hundred of each are counted by `npm run bench -- capabilities`.
test('of fifty hidden truths hardly one is charged wrongly, and a unit that was seen before is known better', () => {
  const [unknown, learned] = [runningCheckRates('chosen', 25, 5000), runningCheckRates('learned-chosen', 25, 6000)];
  for (const { harm, of } of [unknown, learned]) expect(harm / of).toBeLessThanOrEqual(0.05);
  expect(unknown.two / unknown.of).toBeGreaterThan(0.65);
  expect(learned.two / learned.of).toBeGreaterThan(0.8);
});

test('a cold room tells how far its coil boils below the box, a chiller its approach and the flow of its water', () => {
  const room = check(plate({ kind: 'walk-in', capacityW: 8000, plateKg: 6, receiverM3: 0.006 }), {});
  // 8 to 12 °F below the box at 80 % humidity, common practice
  expect(room.derived.coilDifference! * 1.8).toBeGreaterThan(7);
  expect(room.derived.coilDifference! * 1.8).toBeLessThan(15);
  expect(room.waterFlow).toBeUndefined();
  const chiller = plate({ kind: 'chiller', composition: refrigerant('R-134a').composition, capacityW: 70_340, plateKg: 22 });
  const good = check(chiller, {});
  expect(good.derived.approach).toBeGreaterThan(0);
  // 24 over the range in °F is the flow in US gallons a minute for a ton (common practice): 20 tons
  const gpm = (flow: number) => (flow * 60) / 3.785411784e-3;
  const ideal = (24 / (good.derived.split! * 1.8)) * 20;
  expect(Math.abs(gpm(good.waterFlow!.likely) / ideal - 1)).toBeLessThan(0.03);
  // half the flow: twice the range, and the flow follows
  const slow = check(chiller, { indoorAir: 0.6 });
  expect(slow.waterFlow!.likely / good.waterFlow!.likely).toBeCloseTo(0.62, 1);
  expect(slow.waterFlow!.low).toBeLessThan(slow.waterFlow!.likely);
});

test('a unit that stands is told so, however still its readings are', () => {
  const standing = { head: 9.6e5, suction: 9.62e5, suctionLine: 295, liquidLine: 295, supply: 299 };
  const answer = runningCheck({ plate: plate(), conditions: ratingOf(plate()), readings: standing, settled: true });
  expect([answer.slips, answer.withheld, answer.advice]).toEqual([['stands'], 'slip', 'cannot-tell']);
  const crossed = { ...standing, suction: 2.4e6 };
  expect(runningCheck({ plate: plate(), conditions: ratingOf(plate()), readings: crossed, settled: true }).slips).toContain(
    'suction-above-head',
  );
});

test('a unit whose head is held condenses no lower in the cold, and reads as on a mild day', () => {
  const room = { kind: 'walk-in', capacityW: 8000, plateKg: 6, receiverM3: 0.006 } as const;
  const cold: Conditions = { outdoorK: F(25), indoorK: F(36) };
  const free = read(plate(room), cold);
  const held = read(plate({ ...room, headHeldK: F(90) }), cold);
  const condenses = (readings: Readings) => designOf(plate(room)).table.saturation(readings.head!).Tb;
  expect(condenses(free)).toBeLessThan(F(60));
  expect(Math.abs(condenses(held) - F(90)) * 1.8).toBeLessThan(6);
  // on a warm day nothing is held
  const warm: Conditions = { outdoorK: F(90), indoorK: F(36) };
  expect(read(plate({ ...room, headHeldK: F(90) }), warm)).toEqual(read(plate(room), warm));
});

test('a band that would hold nearly everything says so instead', () => {
  const room = plate({ kind: 'walk-in', capacityW: 8000, plateKg: 6, receiverM3: 0.006, composition: refrigerant('R-407A').composition });
  const [mild, cold] = [90, 20].map((outdoorF) => expectedToday(cloudOf(room), { outdoorK: F(outdoorF), indoorK: F(36) })!);
  expect(tells('superheat', mild!.superheat)).toBe(true);
  expect(tells('head', mild!.head)).toBe(true);
  expect(tells('superheat', cold!.superheat)).toBe(false);
});

test('checks of a summer and a mild day are compared each against its own weather', () => {
  const [hot, mild] = [
    { outdoorK: F(95), indoorK: F(80), indoorWetBulbK: F(67) },
    { outdoorK: F(72), indoorK: F(75), indoorWetBulbK: F(63) },
  ];
  const of = (conditions: Conditions, charge: number) => ({ plate: plate(), conditions, readings: read(plate(), conditions, { charge }) });
  const rows = seasonsOf([of(hot, 1), of(mild, 1), of(mild, 0.86)]);
  const off = rows.map(({ subcooling }) => subcooling.read! - subcooling.band!.likely);
  expect(Math.abs(off[0]!)).toBeLessThan(0.1);
  expect(Math.abs(off[1]!)).toBeLessThan(0.1);
  expect(off[2]).toBeLessThan(-3);
  // raw, the right charge of the mild day already reads another subcooling
  expect(rows[1]!.subcooling.read! - rows[0]!.subcooling.read!).toBeGreaterThan(0.5);
});
