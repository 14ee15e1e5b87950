import { tubeSizes } from '@hygromet/core/circuit/line-set';
import { systemKinds } from '@hygromet/core/circuit/system-kind';
import { newCylinder } from './cylinder';
import { endpoints } from './endpoints';
import { newTransfer } from './movement';
import { organisation } from './organisation';
import { problemCodes } from './problem';
import { propertyRequest } from './properties';
import { newSystem, savedFacts, systemFacts } from './system';

const key = '7f3e1c52-6f0e-4a53-9a43-0d6a7f6f6a10';
const sentences = (result: { success: boolean; error?: { issues: readonly { message: string }[] } }) =>
  result.error?.issues.map(({ message }) => message) ?? [];

const cylinder = { key, name: 'C-21', volumeM3: 0.0119, tareKg: 7.8, servicePressurePa: 2.76e6, requalified: '2024-11', place: 'van' };

test('a cylinder as its collar tells it is taken', () => {
  expect(newCylinder.safeParse(cylinder).success).toBe(true);
});

test.each([
  [{ tareKg: 0 }, /tare is 0/],
  [{ volumeM3: 0 }, /water capacity is 0/],
  [{ servicePressurePa: 400 }, /below 1 bar/],
  [{ servicePressurePa: 5e7 }, /above 400 bar/],
  [{ requalified: '11-24' }, /./],
  [{ grossKg: 5 }, /gross weight is below the tare/],
  [{ grossKg: 12 }, /Say which refrigerant/],
  [{ name: '  ' }, /./],
  [{ colour: 'grey' }, /./],
])('a cylinder with %j is refused with a sentence', (change, sentence) => {
  const result = newCylinder.safeParse({ ...cylinder, ...change });
  expect(result.success).toBe(false);
  expect(sentences(result).join(' ')).toMatch(sentence);
});

const transfer = {
  key,
  from: key,
  cylinder: key,
  grossBeforeKg: 9,
  grossAfterKg: 11,
  happenedAt: '2026-11-20T09:00:00Z',
  recordedBy: 'Ines Marrow',
};

test('a transfer does not mix unless somebody says so', () => {
  expect(newTransfer.parse(transfer).acceptMixing).toBe(false);
  expect(newTransfer.safeParse({ ...transfer, grossAfterKg: -1 }).success).toBe(false);
  expect(newTransfer.safeParse({ ...transfer, recordedBy: '' }).success).toBe(false);
  expect(newTransfer.safeParse({ ...transfer, happenedAt: 'yesterday' }).success).toBe(false);
});

const system = { key, site: 'Net loft', name: 'bait freezer', kind: 'walk-in', refrigerant: 'R-449A', nameplateKg: 2.4 };

test.each([
  [{ nameplateKg: 0 }, /nameplate charge is 0/],
  [{ kind: 'spaceship' }, /./],
  [{ site: '' }, /./],
  [{ facts: { lineSet: { lengthM: 600, coveredM: 0, liquid: '3/8', suction: '7/8' } } }, /above 500 m/],
  [{ facts: { lineSet: { lengthM: 6, coveredM: 0, liquid: '5/16', suction: '7/8' } } }, /./],
  [{ facts: { written: 'x'.repeat(501) } }, /At most 500/],
])('a system with %j is refused', (change, sentence) => {
  expect(newSystem.safeParse(system).success).toBe(true);
  const result = newSystem.safeParse({ ...system, ...change });
  expect(result.success).toBe(false);
  expect(sentences(result).join(' ')).toMatch(sentence);
});

test('facts may all be absent, and a change names its version and its author', () => {
  expect(systemFacts.safeParse({}).success).toBe(true);
  expect(savedFacts.safeParse({ version: 1, facts: {}, recordedBy: 'Ines Marrow' }).success).toBe(true);
  expect(savedFacts.safeParse({ facts: {}, recordedBy: 'Ines Marrow' }).success).toBe(false);
  expect(savedFacts.safeParse({ version: 1, facts: {}, recordedBy: ' ' }).success).toBe(false);
});

test('every kind, tube and valve that the core knows may be recorded', () => {
  for (const kind of systemKinds) expect(newSystem.safeParse({ ...system, kind }).success).toBe(true);
  for (const liquid of tubeSizes)
    expect(systemFacts.safeParse({ lineSet: { lengthM: 6, coveredM: 0, liquid, suction: '7/8' } }).success).toBe(true);
});

test('an organisation requires at least one rule, and a share of liquid that makes sense', () => {
  const current = {
    name: 'Tidewrack Cold Works',
    altitudeM: 12,
    requiredRules: ['eighty-percent-77F'],
    liquidShareAt131F: 0.95,
    hottestK: 318.15,
    partShare: 0.8,
    endOfPumpDown: 'slightly-positive',
  };
  expect(organisation.safeParse(current).success).toBe(true);
  expect(sentences(organisation.safeParse({ ...current, requiredRules: [] })).join()).toMatch(/without one there is no stop weight/);
  expect(sentences(organisation.safeParse({ ...current, liquidShareAt131F: 1.1 })).join()).toMatch(/More than 100 %/);
  expect(sentences(organisation.safeParse({ ...current, partShare: 0.9 })).join()).toMatch(/no room for it to warm up/);
  expect(sentences(organisation.safeParse({ ...current, altitudeM: 9500 })).join()).toMatch(/9000 m or lower/);
});

test.each([
  [{ op: 'saturation', refrigerant: 'R-22', T: 'warm' }, /T, the temperature in K/],
  [{ op: 'closedVolume', refrigerant: 'R-22', m: 1, T: 300 }, /V, the volume/],
  [{ op: 'boil' }, /op is one of/],
  [{ op: 'leak', refrigerant: 'R-22', V: 1, m: 1, T: 300, phase: 'vapour', lost: [] }, /./],
])('a question %j to the core is refused in words', (question, sentence) => {
  const result = propertyRequest.safeParse(question);
  expect(result.success).toBe(false);
  expect(sentences(result).join(' ')).toMatch(sentence);
});

test('every way into the server has a path of its own, and says what it does', () => {
  const all = Object.values(endpoints);
  expect(new Set(all.map(({ method, path }) => `${method} ${path}`)).size).toBe(all.length);
  for (const { summary, path } of all) {
    expect(summary.length).toBeGreaterThan(8);
    expect(path).toMatch(/^\/api\//);
  }
  expect(new Set(problemCodes).size).toBe(problemCodes.length);
});
