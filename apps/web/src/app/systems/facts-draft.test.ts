import type { SystemFacts } from '@hygromet/contract/system';
import { emptyEntry } from '../ui/quantity-entry';
import { draftOf, factsOf } from './facts-draft';

const facts: SystemFacts = {
  compressor: 'scroll',
  ports: 'one',
  valves: { 'liquid-service': 'leaks' },
  fitted: { receiver: 'fitted', 'sight-glass': 'none' },
  condenserCooling: 'water',
  volumes: {
    condenser: { m3: 0.0085, known: 'plate', typed: { text: '8.5', unit: 'L' } },
    evaporator: { m3: 0.004, known: 'measured', typed: { text: '4', unit: 'L' } },
  },
  lineSet: { lengthM: 14, coveredM: 7.5, liquid: '3/8', suction: '7/8' },
  switches: { low: 'fitted', lowOpensPa: 172369, lowTyped: { text: '25', unit: 'psig' } },
  limits: [{ what: 'suction sensor', part: 'suction-line', gaugePa: 1034214, typed: { text: '150', unit: 'psig' } }],
  written: 'keep the cap tight',
};
const draft = (entry: SystemFacts, metric = true) => draftOf(entry, metric, metric ? 'barg' : 'psig');

test('what is stored comes back as it was, through the fields', () => {
  const back = factsOf(draft(facts))!;
  expect(back).toMatchObject({
    ...facts,
    switches: { low: 'fitted', lowTyped: { text: '25', unit: 'psig' } },
    limits: [{ what: 'suction sensor' }],
  });
  expect(back.switches!.lowOpensPa).toBeCloseTo(172369, -1);
  expect(back.limits![0]!.gaugePa).toBeCloseTo(1034214, -1);
});

test('feet are typed, metres are stored', () => {
  const typed = draft(facts, false);
  expect(typed.length).toMatchObject({ unit: 'ft', text: '45.93' });
  expect(factsOf(typed)?.lineSet?.lengthM).toBeCloseTo(14, 2);
});

test('nothing typed is nothing claimed', () => {
  expect(factsOf(draft({}))).toEqual({});
});

test('what cannot be read is not stored', () => {
  const big = { entry: { ...emptyEntry('L'), text: 'big' }, known: 'plate' };
  expect(factsOf({ ...draft({}), volumes: { ...draft({}).volumes, condenser: big } })).toBeUndefined();
  expect(factsOf({ ...draft({}), length: { ...emptyEntry('m'), text: '-3' } })).toBeUndefined();
  expect(factsOf({ ...draft({}), highOpens: { ...emptyEntry('psig'), text: 'high' } })).toBeUndefined();
  expect(factsOf({ ...draft({}), limits: [{ what: 'sensor', part: 'evaporator', gauge: emptyEntry('psig') }] })).toBeUndefined();
});

test('a choice taken back is gone', () => {
  expect(factsOf({ ...draft(facts), valves: { 'liquid-service': '' }, ports: '' })).not.toHaveProperty('valves');
});
