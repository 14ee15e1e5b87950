import { seemsTripped } from '@hygromet/core/twin/alarm/watching';
import type { VisitTransfer } from '@hygromet/contract/visit-transfer';
import { aTransfer } from '../../../../test/live-scene';
import {
  deedsOf,
  isUnpurged,
  pairedNow,
  purgedKg,
  rateOf,
  ReadingLog,
  secondsOf,
  speedNow,
  steadyGross,
  traceOf,
  tracesOf,
  type Read,
} from './live-figures';
import { traceRows, traceSenml } from './transfer-files';

const BEGAN = Date.parse('2026-11-29T09:00:00.000Z');
const read = (seconds: number, value: number, typed = false): Read => ({ at: BEGAN + 1000 * seconds, value, typed });
const log = (more: Partial<VisitTransfer> = {}) => {
  const readingLog = new ReadingLog({ gross: 'scale-1', head: 'probe-high' });
  return { own: readingLog, series: (transfer = aTransfer(more)) => readingLog.with(transfer) };
};

describe('readings', () => {
  test('of the paired instruments are kept once, late ones where they belong', () => {
    const { own, series } = log();
    own.add([
      ['scale-1', 'gross', BEGAN + 2000, 12.2],
      ['scale-1', 'gross', BEGAN + 1000, 12.1],
      ['scale-1', 'gross', BEGAN + 2000, 12.2],
      ['scale-9', 'gross', BEGAN + 1500, 99],
      ['scale-1', 'battery', BEGAN + 1500, 80],
    ]);
    expect(series().gross.map(({ value }) => value)).toEqual([12.1, 12.2]);
  });

  test('that somebody typed stand between those of instruments', () => {
    const { own, series } = log();
    own.add([['probe-high', 'head', BEGAN + 1000, 2e6], ['probe-high', 'head', BEGAN + 3000, 2.2e6]]); // prettier-ignore
    const typed = aTransfer({ readings: [{ at: new Date(BEGAN + 2000).toISOString(), by: 'Ines', reading: { headPa: 2.1e6 } }] });
    expect(series(typed).head.map(({ value, typed: by }) => [value, by])).toEqual([
      [2e6, false],
      [2.1e6, true],
      [2.2e6, false],
    ]);
  });
});

test('seconds of sample instruments pass faster than ours', () => {
  const current = aTransfer();
  expect(secondsOf(current, BEGAN + 10_000)).toBe(10);
  expect(secondsOf({ ...current, setUp: { ...current.setUp, speed: 60 } }, BEGAN + 10_000)).toBe(600);
});

test('seconds of simulated instruments pass at the speed that was told, each from its moment on', () => {
  const told = (seconds: number, to: number) => ({ at: new Date(BEGAN + 1000 * seconds).toISOString(), by: 'Ines', note: { what: 'speed', to } as const }); // prettier-ignore
  // told out of order, and once too often by a colleague's page
  const current = aTransfer({ notes: [told(20, 10), told(10, 60), told(10, 60)] });
  expect([-5, 5, 10, 15, 20, 30].map((seconds) => secondsOf(current, BEGAN + 1000 * seconds))).toEqual([-5, 5, 10, 310, 610, 710]);
  expect([speedNow(current), speedNow(aTransfer())]).toEqual([10, 1]);
});

test('what people did becomes deeds at their time; other notes are none', () => {
  const at = (seconds: number) => ({ at: new Date(BEGAN + 1000 * seconds).toISOString(), by: 'Ines' });
  const current = aTransfer({
    notes: [
      { ...at(60), note: { what: 'cooling', cooling: 'ice' } },
      { ...at(70), note: { what: 'alarm', stage: 'now', grossKg: 16 } },
      { ...at(80), note: { what: 'machine', state: 'off' } },
      { ...at(90), note: { what: 'valve', state: 'shut' } },
      { ...at(95), note: { what: 'paired', instruments: { gross: 'scale-2' } } },
    ],
  });
  expect(deedsOf(current)).toEqual([
    { at: 60, cooling: 'ice' },
    { at: 80, machine: 'off', task: 'recover' },
    { at: 90, valve: 'shut' },
  ]);
  expect(pairedNow(current)).toEqual({ gross: 'scale-2' });
  expect(pairedNow(aTransfer())).toEqual({});
});

describe('the purge of a machine', () => {
  const at = { at: new Date(BEGAN).toISOString(), by: 'Ines' };
  const machine = (state: 'on' | 'purge' | 'off', grossKg?: number) => ({
    ...at,
    note: { what: 'machine' as const, state, ...(grossKg === undefined ? {} : { grossKg }) },
  });

  test('brings what the scale shows more, until the machine is set to something else', () => {
    expect(purgedKg(aTransfer({ notes: [machine('on', 14)] }))).toBeUndefined();
    expect(purgedKg(aTransfer({ notes: [machine('purge', 20), machine('off', 20.4)] }))).toBeCloseTo(0.4, 9);
    expect(purgedKg(aTransfer({ notes: [machine('purge', 20)] }), 20.3)).toBeCloseTo(0.3, 9);
    // nobody has read the scale: it was purged, and nobody knows how much came
    expect(purgedKg(aTransfer({ notes: [machine('purge'), machine('off')] }))).toBe(0);
  });

  test('is missed only where a machine was used', () => {
    const used = aTransfer();
    const direct = { ...used, setUp: { ...used.setUp, machine: false } };
    expect([isUnpurged([]), isUnpurged([direct]), isUnpurged([used])]).toEqual([false, false, true]);
    expect(isUnpurged([used, aTransfer({ notes: [machine('purge', 20), machine('off', 20.4)] })])).toBe(false);
  });
});

describe('the rate', () => {
  const rising = Array.from({ length: 60 }, (_, k) => read(k / 2, 12 + 0.01 * (k / 2)));

  test('of a scale is its slope', () => {
    expect(rateOf(rising, 1)).toBeCloseTo(0.01, 6);
  });

  test('of typed readings is that between the last two that stand apart', () => {
    expect(rateOf([read(0, 12, true), read(100, 13, true), read(104, 13.1, true)], 1)).toBeCloseTo(1.1 / 104, 6);
    expect(rateOf([read(0, 12, true)], 1)).toBeUndefined();
  });

  test('a kick of the scale is no weight', () => {
    expect(steadyGross([...rising, read(30.5, 14.9)])).toBeCloseTo(12.285, 3);
    expect(steadyGross([])).toBeUndefined();
  });
});

describe('a machine that has tripped', () => {
  const CUT_OUT = 3.72e6;
  const head = (values: readonly number[]) => values.map((value, k) => read(k, value));
  test('is seen by a head that was at the cut-out and falls while nothing flows', () => {
    expect(seemsTripped(head([3.6e6, 3.7e6, 3.6e6, 3.5e6]), 0, CUT_OUT, 1)).toBe(true);
  });
  test.each([
    ['while it flows', [3.6e6, 3.7e6, 3.5e6], 0.01],
    ['while the head rises', [3.5e6, 3.6e6, 3.7e6], 0],
    ['far from the cut-out', [2e6, 2.1e6, 1.9e6], 0],
  ])('is not believed %s', (_, values, rate) => {
    expect(seemsTripped(head(values), rate, CUT_OUT, 1)).toBe(false);
  });
  test('is not guessed without a rate', () => {
    expect(seemsTripped(head([3.7e6, 3.5e6]), undefined, CUT_OUT, 1)).toBe(false);
  });
});

test('what the fit gets is thinned, and nothing of before the start', () => {
  const { own, series } = log();
  own.add(
    Array.from({ length: 2000 }, (_, k) => ['scale-1', 'gross', BEGAN - 5000 + 500 * k, 12 + k] as const).map((reading) => [...reading]),
  );
  const { grossKg } = tracesOf(aTransfer(), series());
  expect(grossKg!.t.length).toBeLessThanOrEqual(401);
  expect(grossKg!.t[0]).toBe(0);
  expect(grossKg!.t.at(-1)).toBeCloseTo(994.5, 1);
});

describe('what stays of it', () => {
  const { own, series } = log();
  own.add(
    Array.from({ length: 600 }, (_, k) => ['scale-1', 'gross', BEGAN + 1000 * k, 12 + 0.01 * k] as const).map((reading) => [...reading]),
  );
  const trace = traceOf(aTransfer(), series(), BEGAN + 600_000);
  const ended = aTransfer({
    ended: { at: '2026-11-29T09:10:00.000Z', by: 'Ines', finish: { endGrossKg: 18, foretoldGrossKg: 17.8, trace, coreVersion: '1' } },
  });

  test('is the weight at even steps, and nothing where nothing was read', () => {
    expect(trace.t).toHaveLength(241);
    expect(trace.grossKg[120]).toBeCloseTo(15, 1);
    expect(trace.headPa.every((value) => value === null)).toBe(true);
  });

  test('leaves as a table and as SenML', () => {
    expect(traceRows(ended)[120]).toMatchObject({ seconds: 300, headPa: null });
    const records = traceSenml(ended) as { bn?: string; bt?: number; n: string; t: number; v: number }[];
    expect(records[0]).toMatchObject({ bn: 'urn:uuid:t1:', bt: BEGAN / 1000, n: 'gross', t: 0, v: 12 });
    expect(records.every(({ n }) => n === 'gross')).toBe(true);
    expect(traceRows(aTransfer())).toEqual([]);
  });
});
