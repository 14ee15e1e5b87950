import type { SystemFacts } from '@hygromet/contract/system';
import { emptyEntry } from '../ui/quantity-entry';
import { draftOf, factsOf } from './facts-draft';

const facts: SystemFacts = {
  compressor: 'scroll',
  ports: 'one',
  valves: { 'liquid-service': 'leaks' },
  volumes: { condenser: { m3: 0.0085, known: 'plate', typed: { text: '8.5', unit: 'L' } } },
  lineSet: { lengthM: 14, coveredM: 7.5, liquid: '3/8', suction: '7/8' },
  written: 'keep the cap tight',
};

test('what is stored comes back as it was, through the fields', () => {
  expect(factsOf(draftOf(facts, true))).toEqual(facts);
});

test('feet are typed, metres are stored', () => {
  const draft = draftOf(facts, false);
  expect(draft.length).toMatchObject({ unit: 'ft', text: '45.93' });
  expect(factsOf(draft)?.lineSet?.lengthM).toBeCloseTo(14, 2);
});

test('nothing typed is nothing claimed', () => {
  expect(factsOf(draftOf({}, true))).toEqual({});
});

test('what cannot be read is not stored', () => {
  expect(factsOf({ ...draftOf({}, true), condenser: { ...emptyEntry('L'), text: 'big' } })).toBeUndefined();
  expect(factsOf({ ...draftOf({}, true), length: { ...emptyEntry('m'), text: '-3' } })).toBeUndefined();
});

test('a choice taken back is gone', () => {
  expect(factsOf({ ...draftOf(facts, true), valves: { 'liquid-service': '' }, ports: '' })).not.toHaveProperty('valves');
});
