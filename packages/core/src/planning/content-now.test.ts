import fc from 'fast-check';
import { estimatedVolume } from '../circuit/part-volume';
import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { kilogram, pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { asFound } from './as-found';
import { contentNow, type ContentFacts } from './content-now';

const composition = refrigerant('R-410A').composition;
const T = celsius(25);
const volume = estimatedVolume('circuit', kilogram(4));
const read = (standingPressure: number | undefined): Pick<ContentFacts, 'asFound' | 'standingPressure'> =>
  standingPressure === undefined
    ? { asFound: { state: 'unread' } }
    : {
        standingPressure: pascal(standingPressure),
        asFound: asFound(composition, pascal(standingPressure), T, STANDARD_ATMOSPHERE, volume.high),
      };
const of = (ledgerKg: number, p?: number, more: Partial<ContentFacts> = {}) =>
  contentNow({ composition, T, volume, ledgerKg, lineKg: 0, bothSides: true, ...read(p), ...more });
const saturated = bubblePoint(composition, T).p;
const codes = (content: ReturnType<typeof contentNow>) => content.reasons.map(({ code }) => code);

test('plate, ledger and line set, with the usual doubt', () => {
  const content = of(4, saturated, { lineKg: 0.5 });
  expect(content).toMatchObject({ likely: 4.5, onRecord: 4.5 });
  expect([content.low, content.high].map((kg) => Number(kg.toFixed(3)))).toEqual([4.05, 4.95]);
  expect(codes(content)).toEqual(['on-record', 'line-set']);
});

test('below saturation there is only vapor, and that brings it down at once: what is on record stays told', () => {
  const content = of(4, pressureFrom(100, 'psig', STANDARD_ATMOSPHERE));
  // an ideal gas of 72.6 g/mol at 7.91 bar and 25 °C has 23.1 kg/m³; the real one is somewhat denser
  expect(content.likely / volume.likely).toBeGreaterThan(23.1);
  expect(content.likely / volume.likely).toBeLessThan(1.2 * 23.1);
  expect(content.high).toBeLessThan(1);
  expect(content).toMatchObject({ onRecord: 4 });
  expect(codes(content)).toEqual(['on-record', 'vapour-only']);
});

test('read on one side, it takes nothing away: a shut solenoid valve keeps the liquid on the other', () => {
  const content = of(4, pressureFrom(10, 'psig', STANDARD_ATMOSPHERE), { bothSides: false });
  expect(content).toMatchObject({ likely: 4, high: of(4, saturated).high });
  expect(content.low).toBeLessThan(0.2);
  expect(codes(content)).toEqual(['on-record', 'one-side-read']);
});

test('flat is next to nothing, and nothing in a vacuum', () => {
  expect(of(4, STANDARD_ATMOSPHERE).high).toBeLessThan(0.1);
  expect(of(4, 2000).high).toBeLessThan(0.002);
});

test('what somebody says is missing makes it likelier, and takes nothing from what may be there', () => {
  const content = of(8, saturated, { reportedShortKg: 5.9 });
  expect(content.likely).toBeCloseTo(2.1, 9);
  expect(content.low).toBe(0);
  expect(content.high).toBe(of(8, saturated).high);
});

test('more taken out than was in it is a question, and no content below nothing', () => {
  const content = of(-1.2, saturated);
  expect(content).toMatchObject({ low: 0, likely: 0, high: 0, onRecord: 0 });
  expect(content.reasons).toContainEqual({ code: 'overdrawn', kg: 1.2 });
});

test('it is a range in order, and without a reading nobody takes away what is on record', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -2, max: 8, noNaN: true }),
      fc.option(fc.double({ min: 1000, max: 1.4 * saturated, noNaN: true }), { nil: undefined }),
      fc.option(fc.double({ min: 0.01, max: 9, noNaN: true }), { nil: undefined }),
      fc.boolean(),
      (ledgerKg, p, reportedShortKg, bothSides) => {
        const { low, likely, high, onRecord } = of(ledgerKg, p, { reportedShortKg, bothSides });
        expect(low).toBeGreaterThanOrEqual(0);
        expect(likely).toBeGreaterThanOrEqual(low);
        expect(high).toBeGreaterThanOrEqual(likely);
        if (p === undefined || !bothSides) expect(high).toBeGreaterThanOrEqual(onRecord);
      },
    ),
  );
});

test('how it ran makes what it tells likelier, takes nothing from what may be there, and may add to it', () => {
  const short = of(8, saturated, { runningKg: 6.4, reportedShortKg: 5 });
  expect(short.likely).toBeCloseTo(6.4, 9);
  expect(short.low).toBeLessThan(6.4);
  expect(short.high).toBe(of(8, saturated).high);
  expect(codes(short)).toEqual(['on-record', 'running']); // what was seen to run goes before what somebody says
  const over = of(8, saturated, { runningKg: 9.6 });
  expect([over.likely, over.high > of(8, saturated).high]).toEqual([9.6, true]);
  // only vapor is left: then it does not matter how it once ran
  expect(of(8, pressureFrom(60, 'psig', STANDARD_ATMOSPHERE), { runningKg: 6.4 }).high).toBeLessThan(1);
});
