import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { optionalParts, valves } from '@hygromet/core/circuit/part';
import { systemKinds, type CircuitRecord } from '@hygromet/core/circuit/system-kind';
import { layoutOf } from './circuit-layout';
import { overlap, touchesOf } from './circuit-touches';

const everything: CircuitRecord = {
  kind: 'walk-in',
  fitted: Object.fromEntries(optionalParts.map((part) => [part, 'fitted'])),
  valves: Object.fromEntries(valves.map((valve) => [valve, 'holds'])),
};
const records: readonly (readonly [string, CircuitRecord])[] = [
  ...systemKinds.map((kind) => [kind, { kind }] as const),
  ['walk-in with everything that there is', everything],
  ['multi-split with everything that there is', { ...everything, kind: 'multi-split', indoorUnits: 4 }],
  ['heat pump with everything that there is', { ...everything, kind: 'heat-pump' }],
];

describe.each(records)('the circuit of a %s', (_, record) => {
  const layout = layoutOf(circuitOf(record));
  const touches = touchesOf(layout);

  test('offers every part and valve that is drawn', () => {
    const things = touches.map(({ thing }) => thing);
    expect(things).toEqual(expect.arrayContaining([...layout.parts.map(({ part }) => part), ...layout.valves.map(({ valve }) => valve)]));
    expect(new Set(things).size).toBe(things.length);
  });

  test('no two of them claim the same place, and each lies within the drawing', () => {
    for (const [k, one] of touches.entries()) {
      expect(one.x >= 0 && one.y >= 0 && one.x + one.width <= layout.width && one.y + one.height <= layout.height).toBe(true);
      for (const other of touches.slice(k + 1))
        expect([one.thing, other.thing, overlap(one, other)]).toEqual([one.thing, other.thing, false]);
    }
  });

  test('its line set can be touched', () => {
    expect(touches.some(({ thing }) => thing === 'liquid-line' || thing === 'suction-line')).toBe(true);
  });
});
