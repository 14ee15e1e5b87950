import { circuitOf } from '../circuit/circuit-of';
import { systemKinds, type CircuitRecord, type SystemKind } from '../circuit/system-kind';
import { methods, type Method } from './method';
import { whereAfter, whereAtRest, whereRunning } from './where';

const after = (method: Method, kind: SystemKind, more: Partial<CircuitRecord> = {}, meteringStuckShut = false) =>
  whereAfter(method, circuitOf({ kind, ...more }), { valves: more.valves ?? {}, meteringStuckShut });

test('after a pump-down the charge lies outside, and the rest is nearly empty', () => {
  const where = after('pump-down-condenser', 'split');
  expect(where.get('condenser')).toBe('liquid');
  expect(where.get('compressor')).toBe('vapour');
  for (const part of ['liquid-line', 'metering', 'evaporator', 'suction-line'] as const) expect(where.get(part)).toBe('nearly-empty');
});

test('with the king valve shut the receiver holds it, and the liquid line is free', () => {
  const where = after('pump-down-receiver', 'walk-in');
  expect(where.get('receiver')).toBe('liquid');
  expect(where.get('drier')).toBe('nearly-empty');
});

test('after a recovery nothing is left anywhere, and only parts that exist are told of', () => {
  for (const method of methods.filter((method) => !method.startsWith('pump-down')))
    expect(new Set(after(method, 'packaged').values())).toEqual(new Set(['nearly-empty']));
  expect(after('recover', 'split').has('receiver')).toBe(false);
  expect([...whereAtRest(circuitOf({ kind: 'split' })).values()].every((holds) => holds === 'both')).toBe(true);
});

test('while it runs, liquid comes to the metering device and vapor to the compressor, in every kind of system', () => {
  for (const kind of systemKinds) {
    const where = whereRunning(circuitOf({ kind }));
    expect([kind, where.get('liquid-line'), where.get('suction-line'), where.get('compressor')]).toEqual([
      kind,
      'liquid',
      'vapour',
      'vapour',
    ]);
  }
});

test('behind a metering device that is stuck shut, what no port reaches is not shown empty', () => {
  const bySuction = after('recover', 'split', { ports: 'suction' }, true);
  expect([bySuction.get('evaporator'), bySuction.get('liquid-line'), bySuction.get('condenser')]).toEqual(['nearly-empty', 'both', 'both']);
  expect(new Set(after('recover', 'split', { ports: 'both' }, true).values())).toEqual(new Set(['nearly-empty']));
});

test('a suction valve that leaks leaves the lines under the charge only where the compressor lets it back', () => {
  const where = after('pump-down-condenser', 'heat-pump', { valves: { 'suction-service': 'leaks' } });
  expect(where.get('suction-line')).toBe('vapour'); // past the slide of the reversing valve
});
