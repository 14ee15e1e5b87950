import { kindOf, systemKinds } from '@hygromet/core/circuit/system-kind';
import { layoutOf } from './circuit-layout';
import { overlap, touchesOf } from './circuit-touches';

describe.each(systemKinds)('the circuit of a %s', (kind) => {
  const layout = layoutOf(kind, kindOf(kind).valves);
  const touches = touchesOf(layout);

  test('offers every part and valve that is drawn', () => {
    const things = touches.map(({ thing }) => thing);
    expect(things).toEqual(expect.arrayContaining([...layout.parts.map(({ part }) => part), ...kindOf(kind).valves]));
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
