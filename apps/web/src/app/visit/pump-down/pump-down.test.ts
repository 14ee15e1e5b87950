import type { Look } from '@hygromet/contract/look';
import type { Visit } from '@hygromet/contract/visit';
import type { VisitTest } from '@hygromet/contract/visit-test';
import { pumpDown } from '@hygromet/core/planning/pump-down';
import { pascal } from '@hygromet/core/units/quantity';
import { of } from 'rxjs';
import { aSystem } from '../../../../test/scene';
import { open, plan } from '../../../../test/visit-scene';
import { pumpDownText } from './pump-down-labels';
import { pumpDownReadings, pumpDownTraces } from './pump-down-readings';

const END = 115_000;
const SWITCH = 4.2e6;
const BEGUN = Date.parse('2026-11-26T10:00:00.000Z');
const at = (second: number) => new Date(BEGUN + 1000 * second).toISOString();
const psi = 6894.757;
const test0 = (readings: readonly (readonly [number, number, number?])[], more: Partial<VisitTest> = {}): VisitTest => ({
  id: 't1',
  setUp: { test: 'pump-down', endPa: END, highSwitchPa: SWITCH },
  begunAt: at(0),
  begunBy: 'Ines Marrow',
  readings: readings.map(([second, suctionPa, headPa]) => ({
    at: at(second),
    by: 'Ines Marrow',
    reading: { suctionPa, ...(headPa === undefined ? {} : { headPa }) },
  })),
  followed: null,
  ended: null,
  ...more,
});
const pumping = {
  look: {
    ambient: { text: '80', unit: 'F' },
    standing: { text: '236', unit: 'psig' },
    failed: 'evaporator',
    compressor: 'runs',
    metering: 'works',
    'liquid-service': 'holds',
    'suction-service': 'holds',
  } satisfies Look,
  plan: { ...plan, method: 'pump-down-condenser', failed: 'evaporator' } satisfies Visit['plan'],
};
const split = aSystem({
  kind: 'split',
  contentKg: 4,
  nameplateKg: 4,
  facts: { volumes: { condenser: { m3: 0.008, known: 'plate' } } },
});
const openTransfer = (tests: readonly VisitTest[] = []) =>
  open('transfer', { ...pumping, tests: [...tests] }, { system$: () => of(split) });

const ended = (verdict: 'reached' | 'stalls'): Partial<VisitTest> => ({
  ended: { at: at(200), by: 'Ines Marrow', finding: { verdict, said: 'The suction is down to 2 psig.', coreVersion: '0' } },
});

test('what comes first stands there, with its end and the switch; then it begins', async () => {
  const { text, press, sent } = await openTransfer();
  expect(text()).toContain('Run the compressor and let it settle.');
  expect(text()).toMatch(/Then the suction falls to \d+\.?\d* psig, where its valve is shut; the head stays well below 6\d\d psig/);
  await press('The liquid valve is shut');
  expect(sent[0]).toMatchObject({ kind: 'test-begun', setUp: { test: 'pump-down', endPa: expect.any(Number) } });
});

test('a reading is suction, and head where it was read; what it says comes at once', async () => {
  const { text, press, type, sent } = await openTransfer([test0([])]);
  expect(text()).toContain('Read it now');
  await type('Suction', '60');
  await press('Add reading');
  expect(sent[0]).toMatchObject({ kind: 'test-read', testId: 't1', reading: { suctionPa: expect.closeTo(101_325 + 60 * psi, -3) } });
  expect((sent[0] as { reading: object }).reading).not.toHaveProperty('headPa');
  expect(text()).toContain('Nobody has read the head: look at it.');
  await type('Suction', '40');
  await type('Head', '320');
  await press('Add reading');
  expect(sent[1]).toMatchObject({ reading: { headPa: expect.closeTo(101_325 + 320 * psi, -3) } });
  expect(text()).not.toContain('Nobody has read the head');
});

test('at its end the valve is shut, and the stage lacks nothing more', async () => {
  const { text, press, sent, root } = await openTransfer([test0([[0, 8e5, 2e6], [60, 3e5, 2.1e6], [120, 1.1e5, 2.1e6]])]); // prettier-ignore
  expect(text()).toMatch(/The suction is down to \d+\.?\d* psig: shut its valve, then stop the compressor\./);
  await press('Valve shut, compressor off');
  expect(sent[0]).toMatchObject({ kind: 'test-ended', finding: { verdict: 'reached' } });
  expect(root.querySelector('hy-visit-stepper a[aria-label^="Transfer,"]')?.getAttribute('aria-label')).toBe('Transfer, done');
  expect(text()).toContain('Shut in and watch');
});

test('what is done is not asked for again, but may be', async () => {
  const { text } = await openTransfer([test0([[0, 8e5]], ended('reached'))]);
  expect(text()).toContain('It is pumped down again');
  expect(text()).not.toContain('Run the compressor and let it settle.');
  expect(text()).not.toContain('Which cylinder?');
});

test('a unit that is carried away with its charge is pumped down, and a cylinder is asked for', async () => {
  const { text } = await open(
    'transfer',
    { ...pumping, look: { ...pumping.look, purpose: 'replace-outdoor' }, plan: { ...pumping.plan, look: { purpose: 'replace-outdoor' } } },
    { system$: () => of(split) },
  );
  expect(text()).toContain('Pump it down');
  expect(text()).toContain('Which cylinder?');
  expect(text()).not.toContain('Refrigerant goes into a cylinder all the same');
});

test('with the head unread it is down, the valve is shut, and the stage stays open until the head was read', async () => {
  const { text, press, sent, root } = await openTransfer([test0([[0, 8e5], [60, 3e5], [120, 1.1e5]])]); // prettier-ignore
  expect(text()).toMatch(/shut its valve, then stop the compressor\. Nobody has read the head: read it and add it/);
  await press('Valve shut, compressor off');
  expect(sent[0]).toMatchObject({ kind: 'test-ended', finding: { verdict: 'head-unread' } });
  expect(root.querySelector('hy-visit-stepper a[aria-label^="Transfer,"]')?.getAttribute('aria-label')).toContain('needs the pump-down');
});

test('one that was stopped before its end leaves the stage open', async () => {
  const { root, text } = await openTransfer([test0([[0, 8e5]], ended('stalls'))]);
  expect(root.querySelector('hy-visit-stepper a[aria-label^="Transfer,"]')?.getAttribute('aria-label')).toContain('needs the pump-down');
  expect(text()).toContain('It is pumped down again');
});

test('a head near its switch is told before everything else', () => {
  const tell = { pressure: (p: number) => `${Math.round((p - 101_325) / psi)} psig` };
  const readings = [{ t: 0, suction: 1e5, head: 4.1e6 }];
  const judged = pumpDown(readings, pascal(END), pascal(SWITCH));
  expect(pumpDownText(judged, END, tell)).toMatch(
    /^The head stands at 580 psig: the condenser is full, or gets no air\. Open the liquid valve/,
  );
  const stalled = pumpDown([{ t: 0, suction: 3e5 }, { t: 200, suction: 3e5 }], pascal(END), pascal(SWITCH)); // prettier-ignore
  expect(pumpDownText(stalled, END, tell)).toMatch(/^The suction stands at 29 psig and falls no further/);
});

test('readings are in the order of their time; a head that nobody read is none', () => {
  const readings = pumpDownReadings(test0([[60, 3e5, 2e6], [0, 8e5]])); // prettier-ignore
  expect(readings).toEqual([
    { t: 0, suction: 8e5, head: undefined },
    { t: 60, suction: 3e5, head: 2e6 },
  ]);
  expect(pumpDownTraces(readings)).toEqual({ suctionPa: { t: [0, 60], value: [8e5, 3e5] }, headPa: { t: [60], value: [2e6] } });
});
