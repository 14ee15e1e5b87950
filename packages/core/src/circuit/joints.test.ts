import { circuitOf } from './circuit-of';
import { jointsOf } from './joints';
import { systemKinds, type CircuitRecord } from './system-kind';

test('everything of every kind that is joined has a joint, and each place has a name of its own', () => {
  for (const kind of systemKinds) {
    const circuit = circuitOf({ kind });
    const joints = jointsOf(circuit);
    const ends = new Set(joints.flatMap((joint) => (joint.kind === 'joint' ? [joint.from, joint.to] : [])));
    expect(circuit.components.filter(({ id }) => !ends.has(id))).toEqual([]);
    expect(new Set(joints.map(({ id }) => id)).size).toBe(joints.length);
  }
});

test('stems and cores follow the record', () => {
  const of = (record: CircuitRecord) =>
    jointsOf(circuitOf(record))
      .filter(({ kind }) => kind !== 'joint')
      .map(({ id }) => id);
  expect(of({ kind: 'split' })).toEqual(['liquid-service', 'suction-service', 'liquid-port', 'suction-port']);
  expect(of({ kind: 'split', valves: { 'suction-service': 'none' } })).toEqual(['liquid-service', 'liquid-port', 'suction-port']);
  expect(of({ kind: 'packaged', fitted: { receiver: 'fitted' }, valves: { king: 'holds' }, ports: 'suction' })).toEqual([
    'king',
    'suction-port',
  ]);
  expect(of({ kind: 'appliance' })).toEqual([]);
});

test('each branch of a multi-split has joints and valves of its own', () => {
  const ids = jointsOf(
    circuitOf({ kind: 'multi-split', indoorUnits: 3, valves: { 'branch-liquid': 'unproved', 'branch-gas': 'unproved' } }),
  ).map(({ id }) => id);
  for (const k of [1, 2, 3])
    expect(ids).toEqual(expect.arrayContaining([`metering-${k}>evaporator-${k}`, `branch-liquid-${k}`, `branch-gas-${k}`]));
});
