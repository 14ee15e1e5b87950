import { jointsOf } from './joints';
import { kindOf, systemKinds } from './system-kind';

test('every part of every kind is joined to the next, round to the first, and each place has a name of its own', () => {
  for (const kind of systemKinds) {
    const joints = jointsOf(kind);
    const joined = joints.filter((joint) => joint.kind === 'joint');
    expect(joined.map(({ from }) => from)).toHaveLength(kindOf(kind).parts.length);
    expect(joined.at(-1)?.to).toBe(joined[0]?.from);
    expect(new Set(joints.map(({ id }) => id)).size).toBe(joints.length);
  }
});

test('stems and cores follow the record', () => {
  const of = (...args: Parameters<typeof jointsOf>) =>
    jointsOf(...args)
      .filter(({ kind }) => kind !== 'joint')
      .map(({ id }) => id);
  expect(of('split')).toEqual(['liquid-service', 'suction-service', 'liquid-port', 'suction-port']);
  expect(of('split', { 'suction-service': 'none' })).toEqual(['liquid-service', 'liquid-port', 'suction-port']);
  expect(of('packaged', { king: 'holds' }, 'one')).toEqual(['king', 'liquid-port']);
  expect(of('appliance')).toEqual([]);
});
