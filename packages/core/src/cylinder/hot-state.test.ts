import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { cubicMetre, kelvin, kilogram, pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { fullAt, reliefOpensAt } from './hot-state';
import { heldAtMost } from './held-at-most';

const volume = cubicMetre(0.0119);
const { composition } = refrigerant('R-134a');
const half = { composition, volume, mass: kilogram(7), airShare: 0 };

describe('where a relief valve opens', () => {
  test('R-134a stands at 2.1168 MPa at 70 °C (ASHRAE Handbook Fundamentals, table of R-134a; from memory)', () => {
    const relief = reliefOpensAt(half, pascal(2.1168e6));
    expect(relief.opens).toBe('at');
    expect(relief.opens === 'at' && relief.T).toBeCloseTo(343.15, 0);
  });

  test('air opens it sooner, and so does more in it', () => {
    const at = (more: object) => {
      const relief = reliefOpensAt({ ...half, ...more }, pascal(2.1168e6));
      return relief.opens === 'at' ? relief.T : Number.NaN;
    };
    expect(at({ airShare: 0.03 })).toBeLessThan(at({}));
    expect(at({ mass: kilogram(13) })).toBeLessThan(at({}));
  });

  test('no number is told that nobody computed: open in any cold, shut as far as was looked, or not known', () => {
    expect(reliefOpensAt(half, pascal(2e4))).toEqual({ opens: 'always' });
    expect(reliefOpensAt({ ...half, mass: kilogram(0.01) }, pascal(3e6))).toEqual({ opens: 'not-until', T: 420 });
    const parts = { 'R-717': 0.2, 'R-290': 0.8 }; // its liquid parts: nothing of it is known
    expect(reliefOpensAt({ ...half, composition: parts }, pascal(2e6))).toEqual({ opens: 'unknown' });
  });
});

describe('where a cylinder becomes full of liquid', () => {
  test('so little that it all turns to vapour first never does', () => {
    expect(fullAt({ ...half, mass: kilogram(3) })).toBeUndefined();
  });

  test('of no refrigerant does more than its coldest liquid count as never full', () => {
    for (const allRefrigerant of allRefrigerants) {
      const most = heldAtMost(allRefrigerant.composition, volume);
      const full = fullAt({ composition: allRefrigerant.composition, volume, mass: kilogram(1.3 * most) });
      expect([allRefrigerant.id, full === undefined || full.T > celsius(20)]).toEqual([allRefrigerant.id, false]);
      if (allRefrigerant.id !== 'R-718') expect([allRefrigerant.id, full!.slope > 0]).toEqual([allRefrigerant.id, true]); // water shrinks as it warms from 0 °C
    }
  });

  test('more in it is full sooner, and every further kelvin then adds several bar', () => {
    const [less, more] = [fullAt({ ...half, mass: kilogram(11) })!, fullAt({ ...half, mass: kilogram(13) })!];
    expect(more.T).toBeLessThan(less.T);
    expect(more.slope).toBeGreaterThan(2e5);
    expect(less.T).toBeGreaterThan(kelvin(300));
  });
});
