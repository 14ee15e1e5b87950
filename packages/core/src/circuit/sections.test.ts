import type { ComponentId } from './circuit';
import { circuitOf } from './circuit-of';
import { openedBy, sortOf, THING, thingsOf } from './opened';
import { sectionsOf, surelyEmptied, trappedLiquid, underCharge } from './sections';
import { systemKinds, type CircuitRecord } from './system-kind';

const NOTHING_STUCK = { solenoidHeld: true, meteringStuckShut: false };
const keptIn = (record: CircuitRecord, into: 'condenser' | 'receiver', keepsBack = true) =>
  underCharge(circuitOf(record), into, record.valves ?? {}, keepsBack);

// common practice, as the part-by-part table had it before
test('behind the liquid service valve the evaporator side is free, behind the king valve everything from the drier on', () => {
  const split = keptIn({ kind: 'split' }, 'condenser');
  for (const id of ['drier', 'liquid-line', 'metering', 'evaporator', 'suction-line'] as const)
    expect([id, split.has(id)]).toEqual([id, false]);
  for (const id of ['compressor', 'discharge-line', 'condenser'] as const) expect([id, split.has(id)]).toEqual([id, true]);
  const walkIn = keptIn({ kind: 'walk-in' }, 'receiver');
  expect([walkIn.has('receiver'), walkIn.has('drier'), walkIn.has('suction-line')]).toEqual([true, false, false]);
});

test('what stands between the suction valve and the compressor stays under the charge: reversing valve and accumulator of a heat pump', () => {
  const kept = keptIn({ kind: 'heat-pump' }, 'condenser');
  for (const id of ['reversing-valve', 'accumulator', 'outdoor-metering'] as const) expect([id, kept.has(id)]).toEqual([id, true]);
  // at the compressor of a rack the valve shuts the accumulator off as well
  expect(keptIn({ kind: 'rack' }, 'receiver', false).has('accumulator')).toBe(false);
});

test('a head pressure valve lets the charge past the condenser into the receiver, and stays under it', () => {
  const kept = keptIn({ kind: 'walk-in', fitted: { 'head-pressure-valve': 'fitted' } }, 'receiver');
  expect(kept.has('head-pressure-valve')).toBe(true);
  expect(kept.has('liquid-line')).toBe(false);
});

test('without a suction valve only the compressor keeps the charge from the lines, and behind a reversing valve not even that', () => {
  const none = { 'suction-service': 'none' } as const;
  expect(keptIn({ kind: 'split', valves: none }, 'condenser', true).has('evaporator')).toBe(false);
  expect(keptIn({ kind: 'split', valves: none }, 'condenser', false).has('evaporator')).toBe(true);
  expect(keptIn({ kind: 'heat-pump', valves: none }, 'condenser', true).has('evaporator')).toBe(true);
});

test('a first valve that leaks shuts nothing', () => {
  const kept = keptIn({ kind: 'split', valves: { 'liquid-service': 'leaks' } }, 'condenser');
  expect(kept.has('evaporator')).toBe(true);
});

test('through both ports every kind is emptied; through one, what a stuck metering device cuts off is not', () => {
  for (const kind of systemKinds) {
    const circuit = circuitOf({ kind, ports: 'both' });
    expect([kind, surelyEmptied(circuit, { solenoidHeld: true, meteringStuckShut: true }).size]).toEqual([kind, circuit.components.length]);
  }
  const one = (ports: 'suction' | 'liquid' | 'one') =>
    surelyEmptied(circuitOf({ kind: 'packaged', ports }), { solenoidHeld: true, meteringStuckShut: true });
  expect([one('suction').has('evaporator'), one('suction').has('condenser')]).toEqual([true, false]);
  expect([one('liquid').has('evaporator'), one('liquid').has('condenser')]).toEqual([false, true]);
  // on which side the only port is nobody knows: nothing is sure
  expect(one('one').size).toBe(0);
});

test('a solenoid valve without power keeps the liquid ahead of it, unless there is a port on that side', () => {
  const emptied = (ports: 'suction' | 'both', solenoidHeld: boolean) =>
    surelyEmptied(circuitOf({ kind: 'walk-in', ports }), { ...NOTHING_STUCK, solenoidHeld });
  expect(emptied('suction', true).has('receiver')).toBe(true);
  expect(emptied('suction', false).has('receiver')).toBe(false);
  expect(emptied('both', false).has('receiver')).toBe(true);
});

test('between the king valve and a solenoid valve that is shut, liquid is trapped; held open it can go', () => {
  const circuit = circuitOf({ kind: 'walk-in' });
  const trapped = trappedLiquid(circuit, new Set(['king']), false).flat();
  expect(trapped).toEqual(expect.arrayContaining(['drier', 'sight-glass', 'liquid-line']));
  expect(trapped).not.toContain('receiver');
  expect(trappedLiquid(circuit, new Set(), false)).toEqual([]);
});

test('two valves in series trap the piece between them', () => {
  const circuit = circuitOf({ kind: 'walk-in', valves: { king: 'holds', 'liquid-service': 'holds' } });
  expect(trappedLiquid(circuit, new Set(['king', 'liquid-service']), true).flat()).toEqual(
    expect.arrayContaining(['before-liquid-service']),
  );
});

test('the halves of a split can be told apart, and each has a gauge only on its side; without valves there is one piece', () => {
  const halves = sectionsOf(circuitOf({ kind: 'split' }), {});
  expect(halves).toHaveLength(2);
  expect(halves.map(({ valves }) => [...valves].sort())).toEqual([
    ['liquid-service', 'suction-service'],
    ['liquid-service', 'suction-service'],
  ]);
  expect(sectionsOf(circuitOf({ kind: 'packaged' }), {})).toHaveLength(1);
  // a valve that leaks tells nothing apart
  expect(sectionsOf(circuitOf({ kind: 'split' }), { 'liquid-service': 'leaks' })).toHaveLength(1);
  const branches = sectionsOf(
    circuitOf({ kind: 'multi-split', indoorUnits: 3, valves: { 'branch-liquid': 'holds', 'branch-gas': 'holds' } }),
    {},
  );
  expect(branches.filter(({ components }) => components.some((id) => id.startsWith('evaporator')))).toHaveLength(3);
});

describe('what a visit opens', () => {
  const split = circuitOf({ kind: 'split' });
  const of = (...args: Parameters<typeof openedBy>) => openedBy(...args);

  test('a part itself, a joint and a valve on both sides, a core what it sits on', () => {
    expect(of(split, 'repair', 'evaporator', undefined)).toEqual(['evaporator']);
    expect(of(split, 'repair', 'drier>liquid-line', undefined)).toEqual(['drier', 'liquid-line']);
    expect(of(split, 'repair', 'liquid-service', undefined)).toEqual(['condenser', 'drier']);
    expect(of(split, 'repair', 'suction-port', undefined)).toEqual(['suction-line']);
    expect(of(split, 'repair', undefined, undefined)).toBe('unknown');
  });

  test('a unit that leaves with its charge is cut outside its valves, and nothing of it is opened', () => {
    const kept = underCharge(split, 'condenser', {}, true);
    for (const purpose of ['replace-outdoor', 'replace-both', 'remove'] as const) {
      const open = of(split, purpose, undefined, 'condenser') as readonly ComponentId[];
      expect(open).toEqual(expect.arrayContaining(['drier', 'suction-line']));
      expect(open.filter((id) => kept.has(id))).toEqual([]);
    }
    expect(of(split, 'replace-outdoor', undefined, undefined)).toEqual(expect.arrayContaining(['compressor', 'condenser']));
    expect(of(split, 'change-refrigerant', undefined, 'condenser')).toBe('everything');
  });

  test('of a unit without valves to shut, everything is opened when it is replaced', () => {
    const packaged = circuitOf({ kind: 'packaged' });
    expect(of(packaged, 'replace-outdoor', undefined, 'condenser')).toHaveLength(packaged.components.length);
  });

  test('an indoor unit of which nobody said which one is any of them', () => {
    const multi = circuitOf({ kind: 'multi-split', indoorUnits: 2 });
    expect(of(multi, 'repair', 'evaporator', undefined)).toEqual(['evaporator-1', 'evaporator-2']);
    expect(of(multi, 'repair', 'evaporator-2', undefined)).toEqual(['evaporator-2']);
  });
});

test('whatever a circuit of any kind has can be named, and is of one sort', () => {
  for (const kind of systemKinds) {
    const things = thingsOf(
      circuitOf({ kind, indoorUnits: 3, valves: { king: 'holds', 'branch-liquid': 'holds', 'liquid-service': 'holds' } }),
    );
    expect(things.filter((thing) => !THING.test(thing))).toEqual([]);
    expect(new Set(things).size).toBe(things.length);
  }
  expect(['evaporator-2', 'branch-gas-2', 'liquid-port', 'drier>before-king'].map((thing) => sortOf(thing as 'drier'))).toEqual([
    'part',
    'valve',
    'port',
    'joint',
  ]);
  for (const text of ['', 'pump', 'drier>', 'drier>pump', 'drier>drier>drier', 'evaporator-100', 'before-drier'])
    expect([text, THING.test(text)]).toEqual([text, false]);
});
