import fc from 'fast-check';
import { refrigerant } from '../fluids/refrigerant';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { pumpDown, usualHighSwitch, type PumpDownReading } from './pump-down';

const psig = (value: number) => pressureFrom(value, 'psig', STANDARD_ATMOSPHERE);
const END = psig(2);
const SWITCH = psig(600);
const falling = (to: number, minutes: number): PumpDownReading[] =>
  Array.from({ length: 6 * minutes + 1 }, (_, k) => ({ t: 10 * k, suction: psig(to + (120 - to) * Math.exp(-k / 8)), head: psig(300) }));

test('it draws while the suction falls, and has reached its end at it', () => {
  expect(pumpDown(falling(-5, 1), END, SWITCH).verdict).toBe('drawing');
  expect(pumpDown(falling(-5, 8), END, SWITCH)).toMatchObject({ verdict: 'reached', watchedS: 480, head: psig(300) });
});

test('a suction that stands still above the end stalls', () => {
  expect(pumpDown(falling(15, 2), END, SWITCH).verdict).toBe('drawing');
  expect(pumpDown(falling(15, 12), END, SWITCH).verdict).toBe('stalls');
});

test('a head near its switch is told first, also at the end', () => {
  const high = falling(-5, 8).map((reading) => ({ ...reading, head: psig(570) }));
  expect(pumpDown(high, END, SWITCH).verdict).toBe('head-high');
});

test('of one reading it says what that reading says; of none it says nothing', () => {
  expect(pumpDown([{ t: 0, suction: psig(100) }], END, SWITCH)).toMatchObject({ verdict: 'drawing', head: undefined, watchedS: 0 });
  expect(() => pumpDown([], END, SWITCH)).toThrow(RangeError);
});

// Common practice: high-pressure switches open near 600 to 650 psig with R-410A, 380 to 450 with R-22, 250 to 300 with R-134a.
test.each([
  ['R-410A', 560, 660],
  ['R-22', 350, 450],
  ['R-134a', 235, 300],
])('the usual switch of %s opens between %d and %d psig', (id, low, high) => {
  const p = usualHighSwitch(refrigerant(id).composition)!;
  expect(p).toBeGreaterThan(psig(low));
  expect(p).toBeLessThan(psig(high));
});

test('of a refrigerant that has no liquid at its temperature there is no usual switch, and nothing is thrown', () => {
  expect(usualHighSwitch(refrigerant('R-744').composition)).toBeUndefined();
});

test('less that is read never makes it more permissive: without a head, or with a high one, it is never reached', () => {
  fc.assert(
    fc.property(fc.double({ min: -10, max: 200, noNaN: true }), fc.double({ min: 0, max: 700, noNaN: true }), (suction, head) => {
      const at = { t: 0, suction: psig(suction) };
      expect(pumpDown([{ ...at, head: psig(head) }], END, SWITCH).verdict === 'reached').toBe(
        psig(suction) <= END && psig(head) <= 0.92 * SWITCH,
      );
      expect(pumpDown([at], END, SWITCH).verdict).toBe(psig(suction) <= END ? 'head-unread' : 'drawing');
    }),
  );
});
