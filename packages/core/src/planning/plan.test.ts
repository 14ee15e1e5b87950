import { knownVolume } from '../circuit/part-volume';
import { refrigerant } from '../fluids/refrigerant';
import { massIn } from '../units/mass';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, kilogram, type Metre } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import { planFor, stepsFor, type Look, type RecordedSystem } from './plan';

const split: RecordedSystem = {
  kind: 'split',
  composition: refrigerant('R-407C').composition,
  flammable: false,
  nameplateKg: 4,
  contentKg: 4,
  volumes: { condenser: knownVolume(cubicMetre(8e-3), 'plate') },
  valves: {},
  compressor: 'scroll',
};
const look: Look = {
  T: fahrenheit(80),
  failed: 'evaporator',
  compressor: 'runs',
  metering: 'works',
  heldInCooling: true,
  water: 'flows',
  majorRepair: true,
  atmosphere: STANDARD_ATMOSPHERE,
};

test('from the register and the look to the method and its checklist', () => {
  const plan = planFor(split, look);
  expect(plan.decision.chosen).toBe('pump-down-condenser');
  const { steps, estimate } = stepsFor(plan, 'pump-down-condenser', false);
  expect(steps.map(({ code }) => code)).toContain('close-liquid-valve');
  expect(estimate).toBeUndefined();
  expect(stepsFor(plan, 'recover', false).estimate?.minutes).toBeGreaterThan(1);
});

test('a long line set comes to the charge', () => {
  const lineSet = { length: 30 as Metre, covered: 7.5 as Metre, liquid: '3/8', suction: '7/8' } as const;
  const { lineKg, situation } = planFor({ ...split, lineSet }, look);
  // 22.5 m of 3/8 in: 1.1 L of liquid
  expect(massIn(kilogram(lineKg), 'lb')).toBeCloseTo(2.75, 0);
  expect(situation.content.likely).toBeCloseTo(4 + lineKg, 9);
});

test('what the ledger has taken out is not counted again', () => {
  expect(planFor({ ...split, contentKg: 1.5 }, look).situation.content.likely).toBe(1.5);
});

test('a standing pressure decides whether there is anything to bring out', () => {
  const at = (psig: number) => planFor(split, { ...look, standing: pressureFrom(psig, 'psig', STANDARD_ATMOSPHERE) });
  expect(at(0).decision.chosen).toBe('nothing');
  expect(at(60).situation.arrival.state).toBe('vapour-only');
  expect(planFor(split, look).situation.arrival.state).toBe('unread');
});

test('where only vapour is left the machine runs for that much, whatever the ledger says', () => {
  const leaked = planFor(split, { ...look, standing: pressureFrom(60, 'psig', STANDARD_ATMOSPHERE) });
  const [few, all] = [leaked, planFor(split, look)].map((plan) => stepsFor(plan, 'recover', false).estimate!.minutes);
  expect(few).toBeLessThan(0.5 * all!);
});

test('a circuit does not shrink as it leaks: what vapour can be left follows from the plate, not from the ledger', () => {
  const standing = { ...look, standing: pressureFrom(60, 'psig', STANDARD_ATMOSPHERE) };
  const most = (contentKg: number) => {
    const { arrival } = planFor({ ...split, contentKg }, standing).situation;
    return arrival.state === 'vapour-only' ? arrival.mostKg : Number.NaN;
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
  expect(plan.situation.condenser).toEqual({ low: 0, likely: 0, high: 0 });
  expect(plan.decision.verdicts.find(({ method }) => method === 'pump-down-condenser')?.standing).toBe('impossible');
  expect(stepsFor(plan, 'recover', false).estimate).toBeUndefined();
});
