import { knownVolume } from '../circuit/part-volume';
import type { SystemKind } from '../circuit/system-kind';
import { isFlammable, classificationOf } from '../fluids/classification';
import { refrigerant } from '../fluids/refrigerant';
import { massFrom } from '../units/mass';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import type { Verdict } from './decide';
import { USUAL_EQUIPMENT } from './equipment';
import type { Method } from './method';
import { planFor, type Look, type RecordedSystem } from './plan';
import type { ReasonCode } from './reasons';
import { USUAL_PRACTICE } from './company-practice';
import type { Sight } from './sight';

/** A system as it stands in a register: pounds on the plate, nothing else known. */
const system = (kind: SystemKind, id: string, lb: number, more: Partial<RecordedSystem> = {}): RecordedSystem => ({
  kind,
  composition: refrigerant(id).composition,
  flammable: isFlammable(classificationOf(id)),
  nameplateKg: massFrom(lb, 'lb'),
  contentKg: massFrom(lb, 'lb'),
  volumes: {},
  valves: {},
  compressor: 'scroll',
  switches: { low: 'fitted' },
  limits: [],
  ...more,
});

const psig = (value: number) => pressureFrom(value, 'psig', STANDARD_ATMOSPHERE);
/** Nothing seen but the temperature of the day. */
const nothing: Look = {
  T: fahrenheit(80),
  failed: 'unknown',
  compressor: 'unknown',
  metering: 'unknown',
  cooling: 'unknown',
  water: 'unknown',
  majorRepair: true,
  atmosphere: STANDARD_ATMOSPHERE,
  equipment: USUAL_EQUIPMENT,
};
const HOLD = { 'liquid-service': 'holds', 'suction-service': 'holds' } as const;
/** Everything seen and in order, the evaporator to be opened. */
const seen: Look = {
  ...nothing,
  standingPressure: psig(236),
  failed: 'evaporator',
  compressor: 'runs',
  metering: 'works',
  cooling: 'held',
  valves: HOLD,
};

const split = system('split', 'R-410A', 7);
const heatPump = system('heat-pump', 'R-410A', 8);
const rooftop = system('packaged', 'R-410A', 19.8);
const walkIn = system('walk-in', 'R-449A', 16, { volumes: { receiver: knownVolume(cubicMetre(0.012), 'plate') } });
const walkInSeen: Look = {
  ...seen,
  standingPressure: psig(155),
  failed: 'metering',
  valves: { king: 'holds', 'suction-service': 'holds' },
};
const chiller = system('chiller', 'R-134a', 137, { compressor: 'screw' });
const chillerSeen: Look = {
  ...seen,
  standingPressure: psig(86.5),
  failed: 'metering',
  water: 'flows',
  valves: { 'liquid-service': 'holds' },
};
const multi = system('multi-split', 'R-32', 9.3);
const multiSeen: Look = { ...seen, standingPressure: psig(241) };
const freezer = system('appliance', 'R-290', 0.31);
const kiosk = system('appliance', 'R-134a', 0.6, { ports: 'one' });
const geothermal = system('geothermal', 'R-410A', 5);
const vehicle = system('vehicle', 'R-134a', 1.5);

type Row = readonly [
  what: string,
  system: RecordedSystem,
  look: Look,
  method: Method,
  feasibility: Verdict['feasibility'],
  reason: ReasonCode | undefined,
  next: Sight | undefined,
  chosen: Method | undefined,
];

// Situations of the trade: what is expected of a method, the reason that must be among those told, what is to be looked at next, and what
// is proposed as it stands. Common practice.
const rows: readonly Row[] = [
  // nobody has seen anything
  [
    'a split nobody has looked at',
    split,
    nothing,
    'pump-down-condenser',
    'once-seen',
    'compressor-unproved',
    'standing-pressure',
    'recover',
  ],
  ['the same: flat or not is not known', split, nothing, 'nothing', 'once-seen', 'pressure-unread', 'standing-pressure', 'recover'],
  ['the same: a machine recovers it in any case', split, nothing, 'recover', 'possible', undefined, 'standing-pressure', 'recover'],
  ['a chiller nobody has looked at: water first', chiller, nothing, 'recover', 'once-seen', 'water-unseen', 'standing-pressure', undefined],
  [
    'a chiller with its pressure read: now the water',
    chiller,
    { ...nothing, standingPressure: psig(86.5) },
    'recover',
    'once-seen',
    'water-unseen',
    'water-flows',
    undefined,
  ],
  [
    'a heat pump of which only the pressure is read',
    heatPump,
    { ...nothing, standingPressure: psig(236), failed: 'evaporator' },
    'pump-down-condenser',
    'once-seen',
    'cooling-unproved',
    'compressor-runs',
    'liquid-first',
  ],
  // the ordinary pump-down, root by root
  ['an ordinary split with holding valves', split, seen, 'pump-down-condenser', 'possible', undefined, undefined, 'pump-down-condenser'],
  [
    'its compressor not seen to run',
    split,
    { ...seen, compressor: 'unknown' },
    'pump-down-condenser',
    'once-seen',
    'compressor-unproved',
    'compressor-runs',
    'recover',
  ],
  [
    'its compressor said to be dead',
    split,
    { ...seen, compressor: 'said-to-stand' },
    'pump-down-condenser',
    'once-seen',
    'compressor-said-dead',
    'compressor-runs',
    'recover',
  ],
  [
    'its compressor seen dead',
    split,
    { ...seen, compressor: 'stands' },
    'pump-down-condenser',
    'impossible',
    'compressor-stands',
    undefined,
    'recover',
  ],
  [
    'a burnout',
    split,
    { ...seen, compressor: 'burnt-out', failed: 'compressor' },
    'pump-down-condenser',
    'impossible',
    'compressor-burnt-out',
    undefined,
    'recover',
  ],
  [
    'a burnout that is only said',
    split,
    { ...seen, compressor: 'said-burnt-out' },
    'pump-down-condenser',
    'once-seen',
    'compressor-said-dead',
    'compressor-runs',
    'recover',
  ],
  [
    'valves that nobody has tried',
    split,
    { ...seen, valves: {} },
    'pump-down-condenser',
    'once-seen',
    'valve-unproved',
    'valves-hold',
    'recover',
  ],
  [
    'one valve that nobody has tried',
    split,
    { ...seen, valves: { 'liquid-service': 'holds' } },
    'pump-down-condenser',
    'once-seen',
    'valve-unproved',
    'valves-hold',
    'recover',
  ],
  [
    'a liquid valve found leaking',
    split,
    { ...seen, valves: { ...HOLD, 'liquid-service': 'leaks' } },
    'pump-down-condenser',
    'impossible',
    'liquid-valve-leaks',
    undefined,
    'recover',
  ],
  [
    'a suction valve found leaking',
    split,
    { ...seen, valves: { ...HOLD, 'suction-service': 'leaks' } },
    'pump-down-condenser',
    'impossible',
    'suction-valve-leaks',
    undefined,
    'recover',
  ],
  [
    'a record says it leaks, today it holds',
    { ...split, valves: { 'liquid-service': 'leaks' } },
    seen,
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'a record says it holds, today it leaks',
    { ...split, valves: HOLD },
    { ...seen, valves: { 'suction-service': 'leaks' } },
    'pump-down-condenser',
    'impossible',
    'suction-valve-leaks',
    undefined,
    'recover',
  ],
  [
    'a metering device nobody has seen work',
    split,
    { ...seen, metering: 'unknown' },
    'pump-down-condenser',
    'once-seen',
    'metering-unproved',
    'valves-hold',
    'recover',
  ],
  [
    'a metering device stuck shut',
    split,
    { ...seen, metering: 'stuck-closed' },
    'pump-down-condenser',
    'impossible',
    'metering-stuck-closed',
    undefined,
    'recover',
  ],
  [
    'a leak that is not found',
    split,
    { ...seen, failed: 'unknown' },
    'pump-down-condenser',
    'once-seen',
    'leak-not-found',
    undefined,
    'recover',
  ],
  [
    'a leak in the condenser',
    split,
    { ...seen, failed: 'condenser' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'recover',
  ],
  [
    'a leak in the discharge line',
    split,
    { ...seen, failed: 'discharge-line' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'recover',
  ],
  [
    'a drier to be changed',
    split,
    { ...seen, failed: 'drier' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'a liquid line to be cut',
    split,
    { ...seen, failed: 'liquid-line' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'a unit that is scrapped',
    split,
    { ...seen, failed: 'none' },
    'pump-down-condenser',
    'impossible',
    'to-be-emptied',
    undefined,
    'recover',
  ],
  // room: what is certain, and what is only estimated
  [
    'the charge it was shipped with fits its condenser',
    split,
    seen,
    'pump-down-and-recover',
    'not-advised',
    'fits-whole',
    undefined,
    'pump-down-condenser',
  ],
  [
    'a condenser measured too small',
    { ...split, volumes: { condenser: knownVolume(cubicMetre(0.003), 'measured') } },
    seen,
    'pump-down-condenser',
    'impossible',
    'does-not-fit-condenser',
    undefined,
    'pump-down-and-recover',
  ],
  [
    'three times the charge in a condenser of the plate',
    { ...split, contentKg: massFrom(21, 'lb') },
    seen,
    'pump-down-condenser',
    'once-seen',
    'condenser-volume-unknown',
    'part-volume',
    'pump-down-and-recover',
  ],
  [
    'a long line set beyond what the plate covers',
    { ...split, lineSet: { length: 60, covered: 7.6, liquid: '3/8', suction: '7/8' } as RecordedSystem['lineSet'] },
    seen,
    'pump-down-condenser',
    'once-seen',
    'condenser-volume-unknown',
    'part-volume',
    'pump-down-and-recover',
  ],
  [
    'the condenser of a chiller, of which no volume is known',
    chiller,
    chillerSeen,
    'pump-down-condenser',
    'once-seen',
    'condenser-volume-unknown',
    undefined,
    'push-pull',
  ],
  [
    'a walk-in with its receiver on the plate',
    walkIn,
    walkInSeen,
    'pump-down-receiver',
    'possible',
    undefined,
    undefined,
    'pump-down-receiver',
  ],
  [
    'a walk-in of whose receiver nothing is known',
    { ...walkIn, volumes: {} },
    walkInSeen,
    'pump-down-receiver',
    'once-seen',
    'receiver-volume-unknown',
    'part-volume',
    'liquid-first',
  ],
  [
    'a receiver too small by its plate',
    { ...walkIn, volumes: { receiver: knownVolume(cubicMetre(0.006), 'plate') } },
    walkInSeen,
    'pump-down-receiver',
    'impossible',
    'does-not-fit-receiver',
    undefined,
    'liquid-first',
  ],
  [
    'a king valve nobody has tried',
    walkIn,
    { ...walkInSeen, valves: { 'suction-service': 'holds' } },
    'pump-down-receiver',
    'once-seen',
    'king-valve-unproved',
    'valves-hold',
    'liquid-first',
  ],
  [
    'a king valve that leaks',
    walkIn,
    { ...walkInSeen, valves: { king: 'leaks' } },
    'pump-down-receiver',
    'impossible',
    'king-valve-leaks',
    undefined,
    'liquid-first',
  ],
  [
    'a receiver that leaks',
    walkIn,
    { ...walkInSeen, failed: 'receiver' },
    'pump-down-receiver',
    'impossible',
    'part-stays-under-receiver-charge',
    undefined,
    'liquid-first',
  ],
  // heat pumps, in both modes
  ['a heat pump held in cooling', heatPump, seen, 'pump-down-condenser', 'possible', undefined, undefined, 'pump-down-condenser'],
  [
    'a heat pump of which nobody knows',
    heatPump,
    { ...seen, cooling: 'unknown' },
    'pump-down-condenser',
    'once-seen',
    'cooling-unproved',
    'held-in-cooling',
    'liquid-first',
  ],
  [
    'a heat pump that stays in heating',
    heatPump,
    { ...seen, cooling: 'not-held' },
    'pump-down-condenser',
    'impossible',
    'not-held-in-cooling',
    undefined,
    'liquid-first',
  ],
  [
    'its reversing valve',
    heatPump,
    { ...seen, failed: 'reversing-valve' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'liquid-first',
  ],
  [
    'its accumulator',
    heatPump,
    { ...seen, failed: 'accumulator' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'liquid-first',
  ],
  ['a multi-split with holding valves', multi, multiSeen, 'pump-down-condenser', 'possible', undefined, undefined, 'pump-down-condenser'],
  // standing pressure
  ['flat', split, { ...seen, standingPressure: psig(0) }, 'nothing', 'possible', undefined, undefined, 'nothing'],
  ['a vacuum', split, { ...seen, standingPressure: psig(-8) }, 'nothing', 'possible', undefined, undefined, 'nothing'],
  [
    'a chiller at 0 psig is not at its level',
    chiller,
    { ...chillerSeen, standingPressure: psig(0) },
    'nothing',
    'impossible',
    'it-holds-refrigerant',
    undefined,
    'recover',
  ],
  ['vapor only', split, { ...seen, standingPressure: psig(60) }, 'liquid-first', 'impossible', 'no-liquid', undefined, 'recover'],
  [
    'vapor only: pumping it down gains nothing',
    split,
    { ...seen, standingPressure: psig(60) },
    'pump-down-condenser',
    'not-advised',
    'vapour-only-pump-down',
    undefined,
    'recover',
  ],
  ['too much pressure', split, { ...seen, standingPressure: psig(320) }, 'recover', 'not-advised', 'unidentified', undefined, 'recover'],
  [
    'too much pressure, pumped down',
    split,
    { ...seen, standingPressure: psig(320) },
    'pump-down-condenser',
    'not-advised',
    'air-or-other-in-it',
    undefined,
    'recover',
  ],
  // packaged and large
  [
    'a rooftop unit has no valves',
    rooftop,
    { ...seen, valves: {} },
    'pump-down-condenser',
    'impossible',
    'no-service-valves',
    undefined,
    'liquid-first',
  ],
  ['a rooftop unit by pressure first', rooftop, { ...seen, valves: {} }, 'liquid-first', 'possible', undefined, undefined, 'liquid-first'],
  [
    'a rooftop unit that has valves all the same',
    { ...rooftop, valves: HOLD, volumes: { condenser: knownVolume(cubicMetre(0.014), 'plate') } },
    seen,
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'one port: no push-pull',
    { ...rooftop, ports: 'one' },
    { ...seen, valves: {} },
    'push-pull',
    'impossible',
    'one-port',
    undefined,
    'liquid-first',
  ],
  // water
  ['no water flows', chiller, { ...chillerSeen, water: 'stands' }, 'recover', 'impossible', 'water-stands', undefined, undefined],
  ['a leaking exchanger', chiller, { ...chillerSeen, water: 'leaks-in' }, 'recover', 'impossible', 'water-leaks-in', undefined, undefined],
  ['isolated and drained', chiller, { ...chillerSeen, water: 'drained' }, 'push-pull', 'possible', undefined, undefined, 'push-pull'],
  [
    'a geothermal unit whose loop nobody has seen',
    geothermal,
    { ...seen, valves: {} },
    'recover',
    'once-seen',
    'water-unseen',
    'water-flows',
    undefined,
  ],
  [
    'a geothermal unit, flowing',
    geothermal,
    { ...seen, valves: {}, water: 'flows' },
    'recover',
    'possible',
    undefined,
    undefined,
    'recover',
  ],
  // small and sealed
  [
    'a sealed freezer',
    freezer,
    { ...nothing, standingPressure: psig(100), failed: 'compressor' },
    'pierce',
    'possible',
    undefined,
    undefined,
    'pierce',
  ],
  [
    'it has no ports',
    freezer,
    { ...nothing, standingPressure: psig(100), failed: 'compressor' },
    'recover',
    'impossible',
    'no-ports',
    undefined,
    'pierce',
  ],
  [
    'an appliance with one port is slow',
    kiosk,
    { ...nothing, standingPressure: psig(86.5), failed: 'compressor' },
    'recover',
    'not-advised',
    'sealed-unit',
    undefined,
    'recover',
  ],
  ['a vehicle', vehicle, { ...seen, standingPressure: psig(86.5), valves: {} }, 'recover', 'possible', undefined, undefined, 'recover'],
];

test.each(rows)('%s: %#', (_, entry, look, method, feasibility, reason, next, chosen) => {
  const { decision } = planFor(entry, look, USUAL_PRACTICE);
  const verdict = decision.verdicts.find((one) => one.method === method)!;
  expect([method, verdict.feasibility]).toEqual([method, feasibility]);
  if (reason === undefined) expect(verdict.reasons).toEqual([]);
  else expect(verdict.reasons.map(({ code }) => code)).toContain(reason);
  expect([decision.next?.see, decision.chosen]).toEqual([next, chosen]);
});

test('there are at least sixty of them', () => {
  expect(rows.length).toBeGreaterThanOrEqual(60);
});

test('an appliance whose compressor nobody has seen stand has to be emptied as one that runs', () => {
  const share = (compressor: Look['compressor']) =>
    planFor(kiosk, { ...nothing, compressor, standingPressure: psig(86.5) }, USUAL_PRACTICE).conditions.level.orShare;
  expect([share('runs'), share('unknown'), share('said-to-stand')]).toEqual([0.9, 0.9, 0.9]);
  expect(share('stands')).toBe(0.8);
});
