import { expectSituation, heatPump, HOLD, nothing, psig, seen, split, system, walkIn, walkInSeen, type Row } from '../../test/situation';
import { knownVolume } from '../circuit/part-volume';
import { cubicMetre } from '../units/quantity';
import { USUAL_PRACTICE } from './company-practice';
import { planFor, stepsFor, type Look, type RecordedSystem } from './plan';
import type { Method } from './method';

const packaged = system('packaged', 'R-410A', 10);

// Situations of the trade in which the make-up of the circuit decides, or what the visit is for. Common practice.
const rows: readonly Row[] = [
  // what has failed is no part of the list but a joint, a valve, a core
  [
    'a joint at the evaporator',
    split,
    { ...seen, failed: 'evaporator>suction-line' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'a joint inside the unit',
    split,
    { ...seen, failed: 'discharge-line>condenser' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'recover',
  ],
  [
    'the liquid service valve itself',
    split,
    { ...seen, failed: 'liquid-service' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'recover',
  ],
  [
    'the core of the suction port',
    split,
    { ...seen, failed: 'suction-port' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'the reversing valve of a heat pump',
    heatPump,
    { ...seen, failed: 'reversing-valve' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'liquid-first',
  ],
  [
    'its outdoor metering device',
    heatPump,
    { ...seen, failed: 'outdoor-metering' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'liquid-first',
  ],
  [
    'its indoor metering device',
    heatPump,
    { ...seen, failed: 'metering' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'one indoor unit of three',
    system('multi-split', 'R-410A', 9, { indoorUnits: 3 }),
    { ...seen, failed: 'evaporator-2' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  // packaged units that do have valves
  [
    'a packaged unit with valves',
    { ...packaged, valves: HOLD },
    { ...seen, failed: 'evaporator' },
    'pump-down-and-recover',
    'once-seen',
    'condenser-volume-unknown',
    'part-volume',
    'liquid-first',
  ],
  [
    'the same, its condenser measured',
    { ...packaged, valves: HOLD, volumes: { condenser: knownVolume(cubicMetre(0.02), 'measured') } },
    { ...seen, failed: 'evaporator' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  // the refrigeration side
  [
    'the solenoid valve of a walk-in',
    walkIn,
    { ...walkInSeen, failed: 'solenoid' },
    'pump-down-receiver',
    'possible',
    undefined,
    undefined,
    'pump-down-receiver',
  ],
  [
    'the head pressure valve stays under the charge',
    { ...walkIn, fitted: { 'head-pressure-valve': 'fitted' } },
    { ...walkInSeen, failed: 'head-pressure-valve' },
    'pump-down-receiver',
    'impossible',
    'part-stays-under-receiver-charge',
    undefined,
    'liquid-first',
  ],
  [
    'a walk-in without a suction valve: the compressor alone keeps it back',
    walkIn,
    { ...walkInSeen, valves: { king: 'holds', 'suction-service': 'none' } },
    'pump-down-receiver',
    'not-advised',
    'no-suction-valve',
    undefined,
    'liquid-first',
  ],
  [
    'a receiver that was added to a split',
    {
      ...split,
      fitted: { receiver: 'fitted' },
      valves: { ...HOLD, king: 'holds' },
      volumes: { receiver: knownVolume(cubicMetre(0.008), 'plate') },
    },
    seen,
    'pump-down-receiver',
    'possible',
    undefined,
    undefined,
    'pump-down-receiver',
  ],
  // what no port empties
  [
    'one suction port and a stuck metering device: the liquid line is not emptied',
    { ...packaged, ports: 'suction' },
    { ...seen, valves: {}, metering: 'stuck-closed', failed: 'liquid-line' },
    'recover',
    'impossible',
    'not-emptied-through-ports',
    undefined,
    'pierce',
  ],
  [
    'the same: the evaporator is',
    { ...packaged, ports: 'suction' },
    { ...seen, valves: {}, metering: 'stuck-closed', failed: 'evaporator' },
    'recover',
    'possible',
    undefined,
    undefined,
    'liquid-first',
  ],
  [
    'the same: nobody knows what has failed, nor what would be opened',
    { ...packaged, ports: 'suction' },
    { ...seen, valves: {}, metering: 'stuck-closed', failed: 'unknown' },
    'recover',
    'impossible',
    'not-emptied-through-ports',
    undefined,
    'pierce',
  ],
  [
    'one port of unknown side',
    { ...packaged, ports: 'one' },
    { ...seen, valves: {}, metering: 'stuck-closed', failed: 'evaporator' },
    'recover',
    'impossible',
    'not-emptied-through-ports',
    undefined,
    'pierce',
  ],
  [
    'two ports, and it is emptied from both',
    packaged,
    { ...seen, valves: {}, metering: 'stuck-closed', failed: 'liquid-line' },
    'recover',
    'possible',
    undefined,
    undefined,
    'liquid-first',
  ],
  // what the visit is for
  [
    'the outdoor unit is replaced: it leaves with its charge',
    split,
    { ...seen, purpose: 'replace-outdoor', failed: 'unknown' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'its compressor is dead: it is recovered',
    split,
    { ...seen, purpose: 'replace-outdoor', failed: 'unknown', compressor: 'stands' },
    'pump-down-condenser',
    'impossible',
    'compressor-stands',
    undefined,
    'recover',
  ],
  [
    'both units are replaced',
    split,
    { ...seen, purpose: 'replace-both', failed: 'unknown' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'the indoor unit is replaced',
    split,
    { ...seen, purpose: 'replace-indoor', failed: 'unknown' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  [
    'the system is removed, its liquid valve leaks',
    split,
    { ...seen, purpose: 'remove', failed: 'unknown', valves: { ...HOLD, 'liquid-service': 'leaks' } },
    'pump-down-condenser',
    'impossible',
    'liquid-valve-leaks',
    undefined,
    'recover',
  ],
  [
    'the system is removed, and nobody has tried its valves',
    split,
    { ...seen, purpose: 'remove', failed: 'unknown', valves: {} },
    'pump-down-condenser',
    'once-seen',
    'valve-unproved',
    'valves-hold',
    'recover',
  ],
  [
    'a packaged unit is removed',
    packaged,
    { ...seen, purpose: 'remove', failed: 'unknown', valves: {} },
    'pump-down-condenser',
    'impossible',
    'no-service-valves',
    undefined,
    'liquid-first',
  ],
  [
    'the refrigerant is changed: nothing may stay in it',
    split,
    { ...seen, purpose: 'change-refrigerant', failed: 'unknown' },
    'pump-down-condenser',
    'impossible',
    'to-be-emptied',
    undefined,
    'recover',
  ],
  [
    'a leak is searched, and not found yet',
    split,
    { ...seen, purpose: 'find-leak', failed: 'unknown' },
    'pump-down-condenser',
    'once-seen',
    'leak-not-found',
    undefined,
    'recover',
  ],
  [
    'it is found at a joint indoors',
    split,
    { ...seen, purpose: 'find-leak', failed: 'metering>evaporator' },
    'pump-down-condenser',
    'possible',
    undefined,
    undefined,
    'pump-down-condenser',
  ],
  // water on the other side of a condenser
  [
    'a walk-in with a water-cooled condenser: water first',
    { ...walkIn, condenserCooling: 'water' },
    { ...walkInSeen, water: 'unknown' },
    'pump-down-receiver',
    'once-seen',
    'water-unseen',
    'water-flows',
    undefined,
  ],
  [
    'an air-cooled one asks for none',
    walkIn,
    { ...walkInSeen, water: 'unknown' },
    'pump-down-receiver',
    'possible',
    undefined,
    undefined,
    'pump-down-receiver',
  ],
];

test.each(rows)('%s: %#', (...row) => {
  expectSituation(row);
});

const codesOf = (recorded: RecordedSystem, look: Look, method: Method) => {
  const { steps } = stepsFor(planFor(recorded, look, USUAL_PRACTICE), method, recorded, USUAL_PRACTICE);
  return steps.map(({ code }) => code);
};

test('a solenoid valve is held open before anything is drawn through it, whichever way it goes', () => {
  const down = codesOf(walkIn, walkInSeen, 'pump-down-receiver');
  expect(down.indexOf('hold-solenoid-open')).toBeLessThan(down.indexOf('close-king'));
  const out = codesOf(walkIn, walkInSeen, 'recover');
  expect(out.indexOf('hold-solenoid-open')).toBeLessThan(out.indexOf('recover-vapour'));
  expect(codesOf(split, seen, 'pump-down-condenser')).not.toContain('hold-solenoid-open');
});

test('liquid is trapped ahead of a solenoid valve only where another valve is shut behind it', () => {
  const cautions = (recorded: RecordedSystem, look: Look) => {
    const { steps } = stepsFor(planFor(recorded, look, USUAL_PRACTICE), 'recover', recorded, USUAL_PRACTICE);
    return steps.find(({ code }) => code === 'hold-solenoid-open')!.cautions;
  };
  expect(cautions(walkIn, walkInSeen)).toContain('liquid-trapped');
  expect(cautions({ ...packaged, fitted: { solenoid: 'fitted' } }, { ...seen, valves: {} })).toEqual([]);
});

test('every hand valve is opened before a recovery, and there is nothing to open where there is none', () => {
  expect(codesOf(split, seen, 'recover')).toContain('open-valves');
  expect(codesOf(packaged, { ...seen, valves: {} }, 'recover')).not.toContain('open-valves');
});

test('a unit that leaves with its charge is recovered on the ground after its lines are cut; one that stays is not', () => {
  const away = codesOf(split, { ...seen, purpose: 'replace-outdoor' }, 'pump-down-condenser');
  expect(away.slice(-2)).toEqual(['open', 'carry-and-recover']);
  expect(codesOf(split, seen, 'pump-down-condenser')).not.toContain('carry-and-recover');
  expect(codesOf(split, { ...seen, purpose: 'replace-outdoor' }, 'recover')).not.toContain('carry-and-recover');
});

test('where the only port may lie beyond the metering device, zero is proved at the part itself', () => {
  const one: RecordedSystem = { ...packaged, ports: 'suction' };
  const cautions = (failed: Look['failed']) => {
    const look = { ...nothing, valves: {}, standingPressure: psig(236), failed };
    const { steps } = stepsFor(planFor(one, look, USUAL_PRACTICE), 'recover', one, USUAL_PRACTICE);
    return steps.find(({ code }) => code === 'open')!.cautions;
  };
  expect(cautions('liquid-line')).toContain('prove-zero-here');
  expect(cautions('evaporator')).not.toContain('prove-zero-here');
});
