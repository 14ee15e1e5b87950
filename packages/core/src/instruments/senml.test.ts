import fc from 'fast-check';
import { resolve, type SenmlRecord } from './senml';

const NOW = 1_795_953_600;

describe('RFC 8428, from memory', () => {
  test('section 5.1.2: several measurements with a base name, time and unit', () => {
    const pack: SenmlRecord[] = [
      { bn: 'urn:dev:ow:10e2073a0108006:', bt: 1.276020076001e9, bu: 'A', bver: 5, n: 'voltage', u: 'V', v: 120.1 },
      { n: 'current', t: -5, v: 1.2 },
      { n: 'current', t: -4, v: 1.3 },
    ];
    expect(resolve(pack, NOW)).toEqual([
      { record: 0, name: 'urn:dev:ow:10e2073a0108006:voltage', time: 1.276020076001e9, unit: 'V', value: 120.1 },
      { record: 1, name: 'urn:dev:ow:10e2073a0108006:current', time: 1.276020071001e9, unit: 'A', value: 1.2 },
      { record: 2, name: 'urn:dev:ow:10e2073a0108006:current', time: 1.276020072001e9, unit: 'A', value: 1.3 },
    ]);
  });

  test('section 4.5.3: a time below 2^28 counts from now', () => {
    expect(resolve([{ n: 'a', v: 1 }], NOW)[0]?.time).toBe(NOW);
    expect(resolve([{ n: 'a', v: 1, t: -60 }], NOW)[0]?.time).toBe(NOW - 60);
  });

  test('section 4.1: a base value is added; texts and switches are values as well', () => {
    expect(
      resolve(
        [
          { bv: 20, n: 'a', v: 1.5 },
          { n: 'b', vs: 'lb' },
          { n: 'c', vb: false },
        ],
        NOW,
      ).map(({ value }) => value),
    ).toEqual([21.5, 'lb', false]);
  });

  test('a record of base fields alone says nothing', () => {
    expect(resolve([{ bn: 'urn:dev:ser:x:' }, { n: 'gross', v: 1 }], NOW)).toEqual([
      { record: 1, name: 'urn:dev:ser:x:gross', time: NOW, unit: undefined, value: 1 },
    ]);
  });
});

test('a pack says the same with its base fields written out', () => {
  const arbitrary = fc.record({
    n: fc.constantFrom('gross', 'head'),
    v: fc.double({ min: -10, max: 10, noNaN: true }),
    t: fc.integer({ min: -100, max: 0 }),
  });
  fc.assert(
    fc.property(fc.array(arbitrary, { minLength: 1, maxLength: 8 }), (records) => {
      const short = records.map((record, k) => ({ ...(k === 0 ? { bn: 'urn:dev:ser:s:', bt: NOW, bu: 'kg' } : {}), ...record }));
      const long = records.map(({ n, v, t }) => ({ n: `urn:dev:ser:s:${n}`, v, t: NOW + t, u: 'kg' }));
      expect(resolve(short, NOW + 5)).toEqual(resolve(long, NOW + 5));
    }),
  );
});
