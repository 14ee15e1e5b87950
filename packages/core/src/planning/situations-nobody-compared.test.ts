import { expectSituation, heatPump, nothing, psig, seen, split, system, walkIn, walkInSeen, type Row } from '../../test/situation';
import { makeUpFacts, type MakeUpFact } from '../circuit/evidence';
import { USUAL_PRACTICE } from './company-practice';
import { planFor, type RecordedSystem } from './plan';

/** As it is registered: by its kind, and nobody has compared it with the unit. */
const uncompared = (of: RecordedSystem, seenOfIt: readonly MakeUpFact[] = []): RecordedSystem => ({
  ...of,
  unseen: makeUpFacts.filter((fact) => !seenOfIt.includes(fact)),
});

const packaged = system('packaged', 'R-410A', 20);
const works = { ...seen, valves: {} };
const atAppliance = { ...seen, valves: {}, standingPressure: psig(130) };

// Situations in which nobody has compared the unit with its record. That packaged units may have valves, and walk-ins a condenser cooled by water: common practice.
const rows: readonly Row[] = [
  ['a packaged unit', uncompared(packaged), works, 'pump-down-condenser', 'once-seen', 'no-service-valves', 'as-installed', undefined],
  ['the same, compared: it has none', packaged, works, 'pump-down-condenser', 'impossible', 'no-service-valves', undefined, 'liquid-first'],
  [
    'the same: it has valves, and they were tried today',
    uncompared(packaged, ['condenser-cooling']),
    seen,
    'pump-down-condenser',
    'once-seen',
    'condenser-volume-unknown',
    'part-volume',
    'liquid-first',
  ],
  [
    'how its condenser is cooled',
    uncompared(packaged),
    works,
    'recover',
    'once-seen',
    'condenser-cooling-unseen',
    'as-installed',
    undefined,
  ],
  [
    'a packaged unit, its cooling seen, its valves not',
    uncompared(packaged, ['condenser-cooling']),
    works,
    'pump-down-condenser',
    'once-seen',
    'no-service-valves',
    'as-installed',
    'liquid-first',
  ],
  ['a split whose valves hold', uncompared(split), seen, 'pump-down-condenser', 'possible', undefined, undefined, 'pump-down-condenser'],
  [
    'its receiver, that nobody has seen',
    uncompared(split),
    seen,
    'pump-down-receiver',
    'once-seen',
    'no-receiver',
    undefined,
    'pump-down-condenser',
  ],
  ['a heat pump', uncompared(heatPump), seen, 'pump-down-condenser', 'possible', undefined, undefined, 'pump-down-condenser'],
  [
    'a part on the side of the charge, whatever the record says',
    uncompared(split),
    { ...seen, failed: 'compressor' },
    'pump-down-condenser',
    'impossible',
    'part-stays-under-charge',
    undefined,
    'recover',
  ],
  ['a walk-in', uncompared(walkIn), walkInSeen, 'pump-down-receiver', 'once-seen', 'condenser-cooling-unseen', 'as-installed', undefined],
  [
    'the same, its cooling seen',
    uncompared(walkIn, ['condenser-cooling']),
    walkInSeen,
    'pump-down-receiver',
    'possible',
    undefined,
    undefined,
    'pump-down-receiver',
  ],
  ['an appliance', uncompared(system('appliance', 'R-134a', 0.5)), atAppliance, 'recover', 'once-seen', 'no-ports', undefined, 'pierce'],
  [
    'nothing seen at all',
    uncompared(packaged),
    nothing,
    'recover',
    'once-seen',
    'condenser-cooling-unseen',
    'standing-pressure',
    undefined,
  ],
];

test.each(rows)('%s', (...row) => expectSituation(row));

test('that the unit is not as its record has it is looked for last', () => {
  const { decision } = planFor(uncompared(split), { ...seen, valves: {} }, USUAL_PRACTICE);
  expect([decision.next?.see, decision.next?.for]).toEqual(['valves-hold', 'pump-down-condenser']);
});
