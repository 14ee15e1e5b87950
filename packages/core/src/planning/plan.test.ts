import { knownVolume } from '../circuit/part-volume';
import { refrigerant } from '../fluids/refrigerant';
import { massIn } from '../units/mass';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, kilogram, type Metre } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import { planFor as planned, stepsFor as listed, type Look, type Plan, type RecordedSystem } from './plan';
import type { Method } from './method';
import { USUAL_EQUIPMENT } from './equipment';
import { USUAL_PRACTICE, type CompanyPractice } from './company-practice';

const split: RecordedSystem = {
  kind: 'split',
  composition: refrigerant('R-407C').composition,
  flammable: false,
  nameplateKg: 4,
  contentKg: 4,
  volumes: { condenser: knownVolume(cubicMetre(8e-3), 'plate') },
  valves: {},
  compressor: 'scroll',
  switches: { low: 'fitted' },
  limits: [],
};
const look: Look = {
  T: fahrenheit(80),
  failed: 'evaporator',
  compressor: 'runs',
  metering: 'works',
  cooling: 'held',
  valves: { 'liquid-service': 'holds', 'suction-service': 'holds' },
  water: 'flows',
  majorRepair: true,
  atmosphere: STANDARD_ATMOSPHERE,
  equipment: USUAL_EQUIPMENT,
};
const planFor = (system: RecordedSystem, entry: Look, practice: Partial<CompanyPractice> = {}) =>
  planned(system, entry, { ...USUAL_PRACTICE, ...practice });
const stepsFor = (plan: Plan, method: Method, system: Partial<RecordedSystem> = {}, practice: Partial<CompanyPractice> = {}) =>
  listed(plan, method, { ...split, ...system }, { ...USUAL_PRACTICE, ...practice });

test('from the register and the look to the method and its checklist', () => {
  const plan = planFor(split, look);
  expect(plan.decision.chosen).toBe('pump-down-condenser');
  const { steps, estimate } = stepsFor(plan, 'pump-down-condenser');
  expect(steps.map(({ code }) => code)).toContain('close-liquid-valve');
  expect(estimate).toBeUndefined();
  expect(stepsFor(plan, 'recover').estimate?.minutes).toBeGreaterThan(1);
});

test('a long line set comes to the charge', () => {
  const lineSet = { length: 30 as Metre, covered: 7.5 as Metre, liquid: '3/8', suction: '7/8' } as const;
  const { lineKg, conditions } = planFor({ ...split, lineSet }, look);
  // 22.5 m of 3/8 in: 1.1 L of liquid
  expect(massIn(kilogram(lineKg), 'lb')).toBeCloseTo(2.75, 0);
  expect(conditions.content.likely).toBeCloseTo(4 + lineKg, 9);
});

test('what the ledger has taken out is not counted again', () => {
  expect(planFor({ ...split, contentKg: 1.5 }, look).conditions.content.likely).toBe(1.5);
});

test('a standing pressure decides whether there is anything to bring out', () => {
  const at = (psig: number) =>
    planFor(split, { ...look, sides: 'both', standingPressure: pressureFrom(psig, 'psig', STANDARD_ATMOSPHERE) });
  expect(at(0).decision.chosen).toBe('nothing');
  expect(at(60).conditions.asFound.state).toBe('vapour-only');
  expect(planFor(split, look).conditions.asFound.state).toBe('unread');
});

test('where only vapour is left on both sides the machine runs for that much, whatever the ledger says; on one side that is not sure', () => {
  const leaked = { ...look, standingPressure: pressureFrom(60, 'psig', STANDARD_ATMOSPHERE) };
  const [few, unsure, all] = [{ ...leaked, sides: 'both' as const }, leaked, look].map(
    (seen) => stepsFor(planFor(split, seen), 'recover').estimate!.minutes,
  );
  expect(few).toBeLessThan(0.5 * all!);
  expect(unsure).toBe(all);
});

test('a circuit does not shrink as it leaks: what vapour can be left follows from the plate, not from the ledger', () => {
  const standing = { ...look, standingPressure: pressureFrom(60, 'psig', STANDARD_ATMOSPHERE) };
  const most = (contentKg: number) => {
    const { asFound } = planFor({ ...split, contentKg }, standing).conditions;
    return asFound.state === 'vapour-only' ? asFound.mostKg : Number.NaN;
  };
  expect(most(4)).toBeGreaterThan(0.1);
  expect(most(0.5)).toBe(most(4));
});

test('facts of the record that hardly go together come with the plan', () => {
  const odd = planFor({ ...split, kind: 'packaged', volumes: { receiver: knownVolume(cubicMetre(5e-3), 'plate') } }, look);
  expect(odd.contradictions.map(({ code }) => code)).toEqual(['part-not-in-kind']);
});

test('on a day too warm for liquid nothing can be kept in a condenser', () => {
  const plan = planFor({ ...split, composition: refrigerant('R-744').composition }, { ...look, T: fahrenheit(95) });
  expect(plan.conditions.condenser).toMatchObject({ low: 0, likely: 0, high: 0 });
  expect(plan.decision.verdicts.find(({ method }) => method === 'pump-down-condenser')?.feasibility).toBe('impossible');
  expect(stepsFor(plan, 'recover').estimate).toBeUndefined();
});

test('an organisation that fills a condenser less full may recover what another pumps down', () => {
  const [eighty, sixty] = [planFor(split, look), planFor(split, look, { partShare: 0.4, keptShare: 0.475 })];
  expect(sixty.conditions.condenser!.likely / eighty.conditions.condenser!.likely).toBeCloseTo(0.5, 9);
  expect([eighty, sixty].map(({ decision }) => decision.chosen)).toEqual(['pump-down-condenser', 'pump-down-and-recover']);
  const verdict = sixty.decision.verdicts.find(({ method }) => method === 'pump-down-condenser');
  expect(verdict?.reasons[0]).toMatchObject({ code: 'does-not-fit-condenser', numbers: { share: 0.4 } });
});

test('the weakest recorded part limits the sweep with nitrogen, and says so beside it', () => {
  const limits = [
    { what: 'evaporator coil', part: 'evaporator', gaugePa: 2.4e6 },
    { what: 'suction sensor', part: 'suction-line', gaugePa: 1.03e6 },
  ] as const;
  const plan = planFor({ ...split, limits }, look);
  expect(plan.weakest?.what).toBe('suction sensor');
  const sweep = stepsFor(plan, 'recover').steps.find(({ code }) => code === 'sweep-with-nitrogen');
  expect(sweep?.at).toBeCloseTo(1.03e6 + STANDARD_ATMOSPHERE, 6);
  expect(sweep?.cautions).toContain('not-above-weakest');
});

test('facts that cannot both be true of a unit are asked about', () => {
  const crossed = { low: 'fitted', lowOpens: 3e6, highOpens: 2.8e6 } as const;
  expect(planFor({ ...split, switches: crossed }, look).contradictions).toMatchObject([{ code: 'switches-crossed' }]);
  const limits = [{ what: 'suction sensor', part: 'suction-line', gaugePa: 5e5 }] as const;
  const standingPressure = pressureFrom(130, 'psig', STANDARD_ATMOSPHERE);
  expect(planFor({ ...split, limits }, { ...look, standingPressure }).contradictions).toMatchObject([
    { code: 'limit-below-standing', what: 'suction sensor' },
  ]);
});

test('a measured evaporator takes the place of what a circuit of that charge usually has', () => {
  const small = planFor({ ...split, volumes: { ...split.volumes, evaporator: knownVolume(cubicMetre(2e-3), 'measured') } }, look);
  const [known, guessed] = [small.conditions.volume, planFor(split, look).conditions.volume];
  expect(known.high - known.low).toBeLessThan(guessed.high - guessed.low);
  expect(known.likely - guessed.likely).toBeCloseTo((2 - 0.9 * 4) / 1000, 9);
  const receiver = planFor({ ...split, volumes: { receiver: knownVolume(cubicMetre(5e-3), 'plate') } }, look).conditions.volume;
  expect(receiver.likely).toBeCloseTo(0.0025 * 4 + 5e-3, 9);
});

test('a smaller machine takes longer, and the verdicts say so', () => {
  const with_ = (machine: 'one-cylinder' | 'two-cylinder') =>
    planFor(split, { ...look, valves: { 'liquid-service': 'none' }, equipment: { ...USUAL_EQUIPMENT, machine } }).decision.verdicts.find(
      ({ method }) => method === 'recover',
    )!.cost!;
  expect(with_('one-cylinder').minutes).toBeGreaterThan(with_('two-cylinder').minutes);
  expect(with_('one-cylinder').carriedKg).toBeLessThan(with_('two-cylinder').carriedKg);
});
