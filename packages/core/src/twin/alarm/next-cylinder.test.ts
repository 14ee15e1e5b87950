import type { EndReason } from '../transfer-run';
import { nextCylinder, withoutRoom } from './next-cylinder';

const end = (reason: EndReason, low: number, likely: number) => ({
  end: {
    reason,
    t: { likely: 600, low: 500, high: 700 },
    grossKg: { likely: 16, low: 16, high: 16 },
    leftKg: { likely, low, high: likely + 1 },
  },
});

test('a cylinder that is at its stop while kilograms are left is followed by another one', () => {
  expect(nextCylinder(end('stop-weight', 2, 3))).toMatchObject({ sure: true, moreKg: { likely: 3 }, at: { likely: 600 } });
  expect(nextCylinder(end('cylinder-full', 2, 3))?.sure).toBe(true);
});

test('where perhaps nothing is left it only may be needed', () => expect(nextCylinder(end('stop-weight', 0.05, 0.8))?.sure).toBe(false));

test.each([
  ['a system that is empty first', 'reached', 2, 3],
  ['what stays in oil and hoses', 'stop-weight', 0, 0.2],
  ['a standstill', 'stalled', 2, 3],
] as const)('%s needs none', (_, reason, low, likely) => expect(nextCylinder(end(reason, low, likely))).toBeUndefined());

test('while nothing flows another one is needed for what of the rest finds no room in this one', () => {
  const standing = end('time', 3, 5);
  expect(withoutRoom(standing, 1, 400)).toMatchObject({ sure: true, moreKg: { low: 2, likely: 4, high: 5 }, at: { likely: 400 } });
  expect(withoutRoom(standing, 3, 400)).toMatchObject({ sure: false, moreKg: { low: 0, likely: 2 } });
  expect(withoutRoom(standing, 5, 400)).toBeUndefined();
  expect(withoutRoom(standing, -2, 400)?.moreKg.likely).toBe(5);
});
