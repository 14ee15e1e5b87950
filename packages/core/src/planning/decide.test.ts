import { holding } from '../circuit/holding';
import type { Part } from '../circuit/part';
import { estimatedVolume, knownVolume } from '../circuit/part-volume';
import { kindOf, type SystemKind } from '../circuit/system-kind';
import { evacuationLevel } from '../compliance/evacuation-level';
import { refrigerant } from '../fluids/refrigerant';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { decide, type Decision, type Verdict } from './decide';
import type { Method } from './method';
import type { ReasonCode } from './reasons';
import { situationOf, type JobConditions } from './job-conditions';

interface Facts extends Omit<Partial<JobConditions>, 'kind' | 'condenser' | 'receiver' | 'valves'> {
  readonly kg?: number;
  readonly tC?: number;
  readonly condenserL?: number | undefined;
  readonly receiverL?: number;
  readonly valves?: Partial<JobConditions['valves']>;
}

/** A system of that kind, refrigerant and charge as it usually is, but for what is told. */
function system(kind: SystemKind, id: string, { kg = 3, tC = 27, condenserL, receiverL, ...more }: Facts = {}): JobConditions {
  const { composition } = refrigerant(id);
  const T = celsius(tC);
  const volume = (part: 'condenser' | 'receiver', litres: number | undefined) =>
    litres === undefined ? estimatedVolume(part, kilogram(kg)) : knownVolume(cubicMetre(litres / 1000), 'measured');
  const has = (part: Part) => kindOf(kind).parts.includes(part);
  return situationOf({
    kind,
    composition,
    T,
    atmosphere: STANDARD_ATMOSPHERE,
    volume: estimatedVolume('circuit', kilogram(kg)),
    content: { low: 0.95 * kg, likely: kg, high: 1.05 * kg },
    level: evacuationLevel({
      composition,
      fullCharge: kilogram(kg),
      machineBuilt: 'after-1993',
      sealed: kindOf(kind).sealed,
      compressorRuns: true,
      majorRepair: true,
      leaks: false,
      atmosphere: STANDARD_ATMOSPHERE,
    }),
    ...(has('condenser') ? { condenser: holding(volume('condenser', condenserL), composition, T) } : {}),
    ...(has('receiver') ? { receiver: holding(volume('receiver', receiverL), composition, T) } : {}),
    ...more,
  } as Parameters<typeof situationOf>[0]);
}

const verdictOf = ({ verdicts }: Decision, method: Method) => verdicts.find((verdict) => verdict.method === method)!;
const split = (more: Facts = {}) => system('split', 'R-410A', { condenserL: 6, failed: 'evaporator', ...more });
const walkIn = (more: Facts = {}) => system('walk-in', 'R-449A', { kg: 7.4, receiverL: 12, failed: 'metering', ...more });
const chiller = (more: Facts = {}) => system('chiller', 'R-134a', { kg: 62, condenserL: 110, failed: 'metering', ...more });
const liquid = { state: 'liquid', pBubble: 1e6 } as JobConditions['asFound'];

// Situations as they occur (common practice): the facts, the method, how it stands, the reason's code, and what is chosen instead.
test.each<[string, JobConditions, Method, Verdict['feasibility'], ReasonCode | undefined, Method | undefined]>([
  ['a split with a leaking coil', split(), 'pump-down-condenser', 'possible', undefined, 'pump-down-condenser'],
  ['a leaking suction line', split({ failed: 'suction-line' }), 'pump-down-condenser', 'possible', undefined, 'pump-down-condenser'],
  [
    'a compressor that is grounded',
    split({ compressor: { type: 'scroll', state: 'stands' } }),
    'pump-down-condenser',
    'impossible',
    'compressor-stands',
    'recover',
  ],
  [
    'a burn-out',
    split({ failed: 'compressor', compressor: { type: 'scroll', state: 'burnt-out' } }),
    'pump-down-condenser',
    'impossible',
    'compressor-burnt-out',
    'recover',
  ],
  [
    'a compressor that nobody has heard run',
    split({ compressor: { type: 'scroll', state: 'unknown' } }),
    'pump-down-condenser',
    'once-seen',
    'compressor-unproved',
    'recover',
  ],
  [
    'a liquid service valve that leaks',
    split({ valves: { 'liquid-service': 'leaks' } }),
    'pump-down-condenser',
    'impossible',
    'liquid-valve-leaks',
    'recover',
  ],
  [
    'a suction service valve that leaks',
    split({ valves: { 'suction-service': 'leaks' } }),
    'pump-down-condenser',
    'impossible',
    'suction-valve-leaks',
    'recover',
  ],
  [
    'a valve that nobody has tried',
    split({ valves: { 'liquid-service': 'unproved' } }),
    'pump-down-condenser',
    'once-seen',
    'valve-unproved',
    'recover',
  ],
  [
    'an expansion valve stuck shut',
    split({ metering: 'stuck-closed' }),
    'pump-down-condenser',
    'impossible',
    'metering-stuck-closed',
    'recover',
  ],
  ['an expansion valve stuck open', split({ metering: 'stuck-open' }), 'pump-down-condenser', 'possible', undefined, 'pump-down-condenser'],
  ['a leak in the condenser', split({ failed: 'condenser' }), 'pump-down-condenser', 'impossible', 'part-stays-under-charge', 'recover'],
  [
    'a leak in the discharge line',
    split({ failed: 'discharge-line' }),
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    'recover',
  ],
  ['a leak that is not found', split({ failed: 'unknown' }), 'pump-down-condenser', 'once-seen', 'leak-not-found', 'recover'],
  ['a unit that is scrapped', split({ failed: 'none' }), 'pump-down-condenser', 'impossible', 'to-be-emptied', 'recover'],
  [
    '13 lb in a condenser of 4.8 L',
    split({ kg: 5.9, condenserL: 4.8 }),
    'pump-down-condenser',
    'impossible',
    'does-not-fit-condenser',
    'pump-down-and-recover',
  ],
  [
    'a condenser of which nothing is known but an estimate: read its plate first',
    split({ condenserL: undefined }),
    'pump-down-condenser',
    'once-seen',
    'condenser-volume-unknown',
    'recover',
  ],
  ['a charge that fits whole', split(), 'pump-down-and-recover', 'not-advised', 'fits-whole', 'pump-down-condenser'],
  ['a flat unit', split({ asFound: { state: 'flat', how: 'atmospheric' } }), 'nothing', 'possible', undefined, 'nothing'],
  ['a unit under pressure', split({ asFound: liquid }), 'nothing', 'impossible', 'it-holds-refrigerant', 'pump-down-condenser'],
  ['vapour alone is left', split({ asFound: { state: 'vapour-only', mostKg: 0.3 } }), 'liquid-first', 'impossible', 'no-liquid', 'recover'],
  [
    'air in it',
    split({ asFound: { state: 'air-or-other', airShare: 0.2 } }),
    'pump-down-condenser',
    'not-advised',
    'air-or-other-in-it',
    'recover',
  ],
  [
    'a packaged rooftop unit',
    system('packaged', 'R-410A', { kg: 9, failed: 'evaporator' }),
    'pump-down-condenser',
    'impossible',
    'no-service-valves',
    'liquid-first',
  ],
  [
    'a heat pump that cannot be held in cooling',
    system('heat-pump', 'R-410A', { condenserL: 6, failed: 'evaporator', cooling: 'not-held' }),
    'pump-down-condenser',
    'impossible',
    'not-held-in-cooling',
    'recover',
  ],
  [
    'the reversing valve of a heat pump',
    system('heat-pump', 'R-410A', { condenserL: 6, failed: 'reversing-valve' }),
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    'recover',
  ],
  ['a walk-in with its receiver', walkIn(), 'pump-down-receiver', 'possible', undefined, 'pump-down-receiver'],
  ['a walk-in has no liquid service valve', walkIn(), 'pump-down-condenser', 'impossible', 'no-liquid-service-valve', 'pump-down-receiver'],
  [
    'the receiver of a walk-in leaks',
    walkIn({ failed: 'receiver' }),
    'pump-down-receiver',
    'impossible',
    'part-stays-under-receiver-charge',
    'liquid-first',
  ],
  [
    'a king valve that leaks',
    walkIn({ valves: { king: 'leaks' } }),
    'pump-down-receiver',
    'impossible',
    'king-valve-leaks',
    'liquid-first',
  ],
  ['a receiver too small for it', walkIn({ receiverL: 7 }), 'pump-down-receiver', 'impossible', 'does-not-fit-receiver', 'liquid-first'],
  ['a chiller without water', chiller({ water: 'stands' }), 'recover', 'impossible', 'water-stands', undefined],
  [
    'a chiller with water, medium pressure: the rest has to go below 0 psig',
    chiller(),
    'pump-down-condenser',
    'not-advised',
    'rest-above-level',
    'push-pull',
  ],
  [
    'a small charge',
    split({ kg: 1, condenserL: 2, failed: 'condenser' }),
    'push-pull',
    'not-advised',
    'too-little-for-push-pull',
    'recover',
  ],
  [
    'a sealed kiosk freezer',
    system('appliance', 'R-290', { kg: 0.14, failed: 'compressor' }),
    'recover',
    'impossible',
    'no-ports',
    'pierce',
  ],
  [
    'a sealed unit with ports from an earlier repair',
    system('appliance', 'R-134a', { kg: 0.2, ports: 'both', failed: 'compressor' }),
    'pierce',
    'impossible',
    'has-ports',
    'recover',
  ],
])('%s: %#', (_, conditions, method, feasibility, code, chosen) => {
  const decision = decide(conditions);
  const verdict = verdictOf(decision, method);
  expect([method, verdict.feasibility]).toEqual([method, feasibility]);
  if (code === undefined) expect(verdict.reasons).toEqual([]);
  else expect(verdict.reasons.map((reason) => reason.code)).toContain(code);
  expect(decision.chosen).toBe(chosen);
});

test('ten faults of the same system get plans that differ where they must', () => {
  const faults: Facts[] = [
    { failed: 'evaporator' },
    { failed: 'condenser' },
    { failed: 'unknown' },
    { failed: 'compressor', compressor: { type: 'scroll', state: 'burnt-out' } },
    { metering: 'stuck-closed', failed: 'metering' },
    { valves: { 'liquid-service': 'leaks' } },
    { kg: 6.5 },
    { asFound: { state: 'flat', how: 'atmospheric' } },
    { asFound: { state: 'vapour-only', mostKg: 0.2 } },
    { asFound: { state: 'air-or-other', airShare: 0.1 } },
  ];
  const plans = faults.map((fault) => decide(split(fault)));
  const told = plans.map(({ chosen, verdicts }) =>
    JSON.stringify([chosen, verdicts.map(({ method, feasibility, reasons }) => [method, feasibility, reasons.map(({ code }) => code)])]),
  );
  expect(new Set(told).size).toBe(10);
  expect(plans.map(({ chosen }) => chosen)).toEqual([
    'pump-down-condenser',
    'recover',
    'recover',
    'recover',
    'recover',
    'recover',
    'pump-down-and-recover',
    'nothing',
    'recover',
    'recover',
  ]);
});

test('every reason carries the figures behind it', () => {
  const { reasons } = verdictOf(decide(split({ kg: 5.9, condenserL: 4.8 })), 'pump-down-condenser');
  const reason = reasons.find(({ code }) => code === 'does-not-fit-condenser')!;
  expect(reason.numbers['content']).toBe(5.9);
  expect(reason.numbers['holds']).toBeGreaterThan(3.5);
  expect(reason.numbers['holds']).toBeLessThan(4.3);
});

test('a cold morning allows no more than a warm day: the charge is still in the coil when the sun comes', () => {
  const at = (tC: number) => verdictOf(decide(split({ kg: 4.7, condenserL: 5.9, tC })), 'pump-down-condenser').feasibility;
  expect([at(10), at(45)]).toEqual(['impossible', 'impossible']);
  const less = (tC: number) => verdictOf(decide(split({ kg: 4, condenserL: 5.9, tC })), 'pump-down-condenser').feasibility;
  expect([less(-10), less(10), less(45)]).toEqual(['possible', 'possible', 'possible']);
});

test('what a method costs is told for every one that is not impossible', () => {
  for (const { feasibility, cost } of decide(split()).verdicts) {
    if (feasibility === 'impossible') expect(cost).toBeUndefined();
    else expect(cost!.minutes).toBeGreaterThan(0);
  }
  const pumped = verdictOf(decide(split()), 'pump-down-condenser').cost!;
  const recovered = verdictOf(decide(split()), 'recover').cost!;
  expect(pumped.minutes).toBeLessThan(recovered.minutes);
  expect(pumped.carriedKg).toBeLessThan(recovered.carriedKg);
});
