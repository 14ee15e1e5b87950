import { makeUpFacts, recordFacts } from '@hygromet/core/circuit/evidence';
import { systemKinds, partsOf } from '@hygromet/core/circuit/system-kind';
import { valves } from '@hygromet/core/circuit/part';
import { asDrawn, evidenced, saidOf } from './known-facts';
import { circuitRecord, unseenOf } from './plan-facts';
import { systemFacts, type Evidence, type SystemFacts } from './system';

const TOBIN: Evidence = { how: 'seen', by: 'Tobin Wake', at: '2026-05-12T09:00:00Z' };
const INES: Evidence = { how: 'plate', by: 'Ines Marrow', at: '2026-11-03T14:00:00Z' };

test('what is changed is known anew; the rest keeps who saw it, and what is taken back nobody knows', () => {
  const before = evidenced({}, { ports: 'one', compressor: 'scroll', valves: { king: 'holds' } }, TOBIN);
  const after = evidenced(before, { compressor: 'screw', valves: { king: 'holds' } }, INES);
  expect(after.known).toEqual({ compressor: INES, king: TOBIN });
});

test('another pressure of a switch that is there is known anew', () => {
  const before = evidenced({}, { switches: { low: 'fitted', lowOpensPa: 140_000 } }, TOBIN);
  const after = evidenced(before, { switches: { low: 'fitted', lowOpensPa: 210_000 } }, INES);
  expect([before.known?.['low-pressure-switch'], after.known?.['low-pressure-switch']]).toEqual([TOBIN, INES]);
  expect(evidenced(after, { switches: { low: 'fitted', lowOpensPa: 210_000 } }, TOBIN).known).toEqual({ 'low-pressure-switch': INES });
  expect(evidenced(after, {}, TOBIN).known).toEqual({});
});

test('what is looked at and found as it is on record is known anew', () => {
  const before = evidenced({}, { ports: 'one' }, { ...TOBIN, how: 'reported' });
  expect(evidenced(before, before, INES, ['ports']).known).toEqual({ ports: INES });
  expect(evidenced(before, before, INES).known).toEqual({ ports: { ...TOBIN, how: 'reported' } });
});

test.each(systemKinds)('a %s compared with its drawing is said fact by fact, and drawn as before', (kind) => {
  const drawn = asDrawn({ kind, facts: {} }, TOBIN);
  expect(systemFacts.parse(drawn)).toEqual(drawn);
  expect(partsOf(circuitRecord({ kind, facts: drawn }))).toEqual(partsOf({ kind }));
  expect(unseenOf(drawn)).toEqual(kind === 'multi-split' ? [] : ['indoor-units']);
  for (const fact of makeUpFacts)
    expect([fact, saidOf(drawn, fact) === undefined]).toEqual([fact, kind !== 'multi-split' && fact === 'indoor-units']);
});

test('a comparison leaves what was found before, and proves no valve', () => {
  const facts: SystemFacts = { valves: { 'suction-service': 'leaks' }, known: { 'suction-service': INES } };
  const drawn = asDrawn({ kind: 'split', facts }, TOBIN);
  expect(drawn.valves).toMatchObject({ 'suction-service': 'leaks', 'liquid-service': 'unproved', king: 'none' });
  expect([drawn.known?.['suction-service'], drawn.known?.['liquid-service'], drawn.known?.compressor]).toEqual([INES, TOBIN, undefined]);
});

test.each(['reported', undefined] as const)(
  'a valve that holds by what is %s is one that nobody has tried; that there is none stays',
  (how) => {
    const states = Object.fromEntries(valves.map((valve) => [valve, valve === 'king' ? 'none' : 'holds'] as const));
    const known = how === undefined ? {} : Object.fromEntries(recordFacts.map((fact) => [fact, { ...TOBIN, how }]));
    expect(circuitRecord({ kind: 'split', facts: { valves: states, known } }).valves).toEqual(
      Object.fromEntries(valves.map((valve) => [valve, valve === 'king' ? 'none' : 'unproved'])),
    );
  },
);
