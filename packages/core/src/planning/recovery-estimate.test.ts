import { OutOfRange } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { massFrom } from '../units/mass';
import { pressureFrom, pressureIn, STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, kilogram } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import { machineCutOut, nearsCutOut, shareOfCutOut } from './cut-out';
import { USUAL_EQUIPMENT, type Equipment } from './equipment';
import { estimateRecovery, type RecoveryTask } from './recovery-estimate';

const task = (id: string, kg: number, tF: number, litres: number, more: Partial<RecoveryTask & Equipment> = {}) =>
  estimateRecovery({
    composition: refrigerant(id).composition,
    massKg: kilogram(kg),
    T: fahrenheit(tF),
    volume: cubicMetre(litres / 1000),
    endP: STANDARD_ATMOSPHERE,
    equipment: { ...USUAL_EQUIPMENT, ...more },
    liquidPort: false,
    ...more,
  });
const psig = (p: number) => pressureIn(p, 'psig', STANDARD_ATMOSPHERE);

// Figures from practice (common practice).
test('230 lb of R-134a take hours as vapour, and much less with the liquid first', () => {
  const slow = task('R-134a', massFrom(230, 'lb'), 80, 260);
  const fast = task('R-134a', massFrom(230, 'lb'), 80, 260, { liquidPort: true });
  expect(slow.minutes / 60).toBeGreaterThan(2.5);
  expect(slow.minutes / 60).toBeLessThan(4);
  expect(fast.minutes).toBeLessThan(0.6 * slow.minutes);
  expect(fast.liquidMinutes).toBeGreaterThan(0);
  expect(fast.liquidMinutes).toBeLessThan(fast.minutes);
  expect(slow.liquidMinutes).toBe(0);
});

test('the rest after a pump-down takes a few minutes', () => {
  const { minutes } = task('R-410A', 0.38, 80, 5);
  expect(minutes).toBeGreaterThan(0.5);
  expect(minutes).toBeLessThan(5.5);
});

test('35 lb of R-410A at 81 °F stand near 425 psig where liquid goes first, and near the cut-out as vapour alone', () => {
  const first = task('R-410A', massFrom(35, 'lb'), 81, 40, { liquidPort: true });
  expect(psig(first.headP)).toBeGreaterThan(360);
  expect(psig(first.headP)).toBeLessThan(460);
  expect(psig(task('R-410A', massFrom(35, 'lb'), 81, 40).headP)).toBeGreaterThan(490);
});

test('at 95 °F the machine trips in still air; an ice bath brings it to about 200 psig', () => {
  const still = task('R-410A', massFrom(35, 'lb'), 95, 40);
  expect(still.trips).toBe(true);
  expect(still.needs).toBe('water');
  const ice = task('R-410A', massFrom(35, 'lb'), 95, 40, { cooling: 'ice' });
  expect(ice.trips).toBe(false);
  expect(psig(ice.headP)).toBeCloseTo(204, -1.5);
});

test('a machine that does not trip needs no more than it has', () => {
  expect(task('R-134a', 5, 80, 12)).toMatchObject({ trips: false, needs: 'still' });
});

test('cores left in slow the liquid', () => {
  const [out, left] = [task('R-410A', 10, 80, 25, { liquidPort: true }), task('R-410A', 10, 80, 25, { liquidPort: true, cores: 'in' })];
  expect(left.liquidMinutes).toBeGreaterThanOrEqual(out.liquidMinutes);
});

test('more refrigerant takes longer, and a lower end a little longer', () => {
  const minutes = [2, 4, 8].map((kg) => task('R-22', kg, 80, 2.5 * kg).minutes);
  expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
  expect(task('R-22', 4, 80, 10, { endP: (STANDARD_ATMOSPHERE * 0.6) as typeof STANDARD_ATMOSPHERE }).minutes).toBeGreaterThan(minutes[1]!);
});

test('a one-cylinder machine takes longer for the same, and its head stays no warmer', () => {
  const [two, one] = (['two-cylinder', 'one-cylinder'] as const).map((machine) => task('R-22', 8, 80, 20, { machine }));
  expect(one!.minutes).toBeGreaterThan(1.4 * two!.minutes);
  expect(one!.headP).toBeLessThan(1.05 * two!.headP);
});

test('narrow hoses slow the liquid even where the cores are out', () => {
  const minutes = (hoses: Equipment['hoses']) => task('R-134a', 20, 60, 50, { liquidPort: true, hoses }).liquidMinutes;
  expect(minutes('quarter-inch')).toBeGreaterThan(1.2 * minutes('three-eighths'));
});

test('what is in the circuit decides how long its vapour takes: nothing takes no time', () => {
  const minutes = [0, 1e-6, 0.005, 0.05, 0.4].map((kg) => task('R-22', kg, 80, 10).minutes);
  expect(minutes[0]).toBe(0);
  expect(minutes[2]).toBeCloseTo(0, 3); // at 14 kPa it is below the end already
  expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
  expect(minutes[4]).toBeGreaterThan(minutes[3]!);
});

test('a perfect vacuum and more than fits are refused', () => {
  expect(() => task('R-22', 2, 80, 10, { endP: 0 as RecoveryTask['endP'] })).toThrow(OutOfRange);
  expect(() => task('R-410A', 30, 80, 1)).toThrow(OutOfRange);
});

test('liquid feed hardly raises the head: vapour from the same circuit opens the cut-out, liquid first does not', () => {
  const from = (liquidPort: boolean) => task('R-410A', 9, 95, 22.5, { liquidPort });
  expect(from(false)).toMatchObject({ trips: true, needs: 'water' });
  expect(from(true)).toMatchObject({ trips: false, needs: 'still' });
});

test('what one cylinder cannot take goes into the next: no end before all of it is over', () => {
  const minutes = [15, 30, 60, 240].map((kg) => task('R-134a', kg, 80, 2.5 * kg, { liquidPort: true }).minutes);
  for (const [k, ratio] of [2, 2, 4].entries()) {
    expect(minutes[k + 1]!).toBeGreaterThan(0.8 * ratio * minutes[k]!);
    expect(minutes[k + 1]!).toBeLessThan(1.3 * ratio * minutes[k]!);
  }
});

test('it has a range: in the field it takes up to several times as long', () => {
  const { minutes, range } = task('R-410A', 3, 80, 12);
  expect(range.low).toBeGreaterThanOrEqual(0.9 * minutes);
  expect(range.high).toBeGreaterThan(2 * minutes);
});

test('a gas that stands above the cut-out on ice is none for this machine, and why is said', () => {
  expect(task('R-744', 3, 80, 8)).toMatchObject({ trips: true, needs: undefined, cannot: 'stands-too-high' });
  expect(task('R-410A', 3, 95, 12).cannot).toBeUndefined();
});

test('the head is told with its margin: caution from 90 % of the cut-out, and it opens at 100', () => {
  const at = (value: number) => pressureFrom(value, 'psig', STANDARD_ATMOSPHERE);
  expect(shareOfCutOut(at(472.5))).toBeCloseTo(0.9, 9);
  expect([470, 473, 524].map((value) => nearsCutOut(at(value)))).toEqual([false, true, true]);
  expect(shareOfCutOut(machineCutOut)).toBeCloseTo(1, 12);
});
