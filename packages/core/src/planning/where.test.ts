import { systemKinds } from '../circuit/system-kind';
import { methods } from './method';
import { whereAfter, whereAtRest, whereRunning } from './where';

test('after a pump-down the charge lies outside, and the rest is nearly empty', () => {
  const where = whereAfter('pump-down-condenser', 'split');
  expect(where.get('condenser')).toBe('liquid');
  expect(where.get('compressor')).toBe('vapour');
  for (const part of ['liquid-line', 'metering', 'evaporator', 'suction-line'] as const) expect(where.get(part)).toBe('nearly-empty');
});

test('with the king valve shut the receiver holds it, and the liquid line is free', () => {
  const where = whereAfter('pump-down-receiver', 'walk-in');
  expect(where.get('receiver')).toBe('liquid');
  expect(where.get('drier')).toBe('nearly-empty');
});

test('after a recovery nothing is left anywhere, and only parts that exist are told of', () => {
  for (const method of methods.filter((method) => !method.startsWith('pump-down')))
    expect(new Set(whereAfter(method, 'packaged').values())).toEqual(new Set(['nearly-empty']));
  expect(whereAfter('recover', 'split').has('receiver')).toBe(false);
  expect([...whereAtRest('split').values()].every((holds) => holds === 'both')).toBe(true);
});

test('while it runs, liquid comes to the metering device and vapor to the compressor, in every kind of system', () => {
  for (const kind of systemKinds) {
    const where = whereRunning(kind);
    expect([kind, where.get('liquid-line'), where.get('suction-line'), where.get('compressor')]).toEqual([
      kind,
      'liquid',
      'vapour',
      'vapour',
    ]);
  }
});
