import { sameFacts } from './same-facts';

const facts = {
  volumes: { receiver: { m3: 0.0105, known: 'plate', typed: { text: '10.5', unit: 'L' } } },
  limits: [{ what: 'sensor', gaugePa: 1034214 }],
};

test.each([
  ['what was typed another way', { ...facts, volumes: { receiver: { m3: 0.0105, known: 'plate' } } }],
  ['a figure that lost its last digits', { ...facts, limits: [{ what: 'sensor', gaugePa: 1034213.6 }] }],
])('%s says the same', (_, other) => {
  expect(sameFacts(facts, other)).toBe(true);
});

test.each([
  ['another volume', { ...facts, volumes: { receiver: { m3: 0.0106, known: 'plate' } } }],
  ['a measured volume instead of the plate’s', { ...facts, volumes: { receiver: { m3: 0.0105, known: 'measured' } } }],
  ['one component more', { ...facts, limits: [...facts.limits, { what: 'coil', gaugePa: 2e6 }] }],
  ['nothing of the kind', { limits: facts.limits }],
  ['a word where there was a figure', { ...facts, limits: [{ what: 'sensor', gaugePa: 'much' }] }],
])('%s does not', (_, other) => {
  expect(sameFacts(facts, other)).toBe(false);
});
