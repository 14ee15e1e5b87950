import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { celsius } from '../units/temperature';
import { massFrom, massIn } from '../units/mass';
import { randomOf } from '../../test/simulated-hold';
import { mayFeed, sourcesFor, type Stock } from './sources';

const { composition } = refrigerant('R-410A');
const T = celsius(22.2);
const stock = (id: string, contentKg: number, is: Stock['is'], more: Partial<Stock> = {}): Stock => ({
  id,
  composition,
  contentKg,
  volumeM3: 0.0119,
  is,
  against: false,
  ...more,
});

// Common practice: a 26.2 lb WC cylinder of R-410A keeps about 1.6 lb as vapour at 72 °F.
test('what stays in a cylinder as vapor cannot be drawn as liquid', () => {
  const { draws, shortKg } = sourcesFor(composition, 5, [stock('a', 3, 'virgin')], T);
  expect(massIn(draws[0]!.heelKg, 'lb')).toBeCloseTo(1.6, 0);
  expect(draws[0]!.kg).toBeCloseTo(3 - draws[0]!.heelKg, 9);
  expect(shortKg).toBeCloseTo(5 - draws[0]!.kg, 9);
});

test('its own comes first, then its owner’s, then virgin; the fullest of each', () => {
  const some = [stock('v', 9, 'virgin'), stock('b', 4, 'owners'), stock('o1', 2, 'own'), stock('o2', 3, 'own')];
  expect(sourcesFor(composition, 6, some, T).draws.map(({ id }) => id)).toEqual(['o2', 'o1', 'b']);
});

test('nothing comes from another refrigerant, nor from what something speaks against', () => {
  const some = [stock('x', 9, 'own', { against: true }), stock('y', 9, 'virgin', { composition: refrigerant('R-32').composition })];
  expect(sourcesFor(composition, 2, some, T)).toEqual({ draws: [], shortKg: 2 });
});

test('of all refrigerants only its own may go into a system, and not even that where something speaks against it', () => {
  for (const { id, composition: own } of allRefrigerants) {
    const fitting = allRefrigerants.filter((other) => mayFeed(own, stock('c', 3, 'virgin', { composition: other.composition })));
    expect(fitting.map((other) => other.id)).toEqual([id]);
    expect(mayFeed(own, stock('c', 3, 'own', { composition: own, against: true }))).toBe(false);
  }
});

test('a hair that is missing opens no other cylinder', () => {
  const { draws, shortKg } = sourcesFor(composition, 2.03, [stock('a', 2.75, 'own'), stock('v', 9, 'virgin')], T);
  expect([draws.length, shortKg]).toEqual([1, 0]);
});

test('whatever stands there, what is drawn and what is short are the charge, and no cylinder gives more than it has', () => {
  const random = randomOf(4);
  for (let k = 0; k < 500; k++) {
    const some = Array.from({ length: Math.floor(random() * 6) }, (_, i) =>
      stock(String(i), 6 * random(), (['own', 'owners', 'virgin'] as const)[Math.floor(random() * 3)]!, { against: random() < 0.2 }),
    );
    const target = massFrom(20 * random(), 'lb');
    const { draws, shortKg } = sourcesFor(composition, target, some, T);
    const drawn = draws.reduce((sum, { kg }) => sum + kg, 0);
    expect(Math.abs(drawn + shortKg - target)).toBeLessThanOrEqual(0.05 + 1e-9);
    for (const { id, kg, heelKg } of draws) {
      const current = some[Number(id)]!;
      expect([current.against, kg <= current.contentKg - heelKg + 1e-9]).toEqual([false, true]);
    }
  }
});
