import { TestBed } from '@angular/core/testing';
import type { Instrument } from '@hygromet/contract/instrument';
import { followedQuantities, type FollowedQuantity, type FollowedRun } from '@hygromet/core/cycle/followed-run';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { pascal } from '@hygromet/core/units/quantity';
import { of, Subject } from 'rxjs';
import { render, settled, stage } from '../../../../test/scene';
import type { FromStream } from '../../data/reading-stream';
import { HeardInstruments } from '../live/heard-instruments';
import { emptyCheck, readCheck, typedUnits, withFollowed } from './check-draft';
import { FollowRun } from './follow-run';

const stream$ = new Subject<FromStream>();
const asked: string[] = [];
jest.mock('../../data/reading-stream', () => ({
  readings$: (names: readonly string[], since: string) => {
    asked.push(names.join(','), since);
    return stream$;
  },
}));

const START = Date.parse('2026-11-26T08:00:00Z');
const ATMOSPHERE = pascal(101_325);
beforeEach(() => jest.useFakeTimers({ now: START, doNotFake: ['setTimeout', 'setImmediate', 'queueMicrotask', 'nextTick'] }));
afterEach(() => jest.useRealTimers());

const VALUES: Partial<Record<FollowedQuantity, number>> = {
  head: 2.6e6,
  suction: 1.0e6,
  suctionLine: 288,
  liquidLine: 309,
  outdoor: 304,
};
const instrument = (id: string, names: readonly FollowedQuantity[]) =>
  ({
    id,
    heardAt: new Date(START).toISOString(),
    facts: { speed: 10 },
    last: Object.fromEntries(names.map((name) => [name, { at: new Date(START).toISOString(), value: VALUES[name] }])),
  }) as unknown as Instrument;
const ALL = [
  instrument('probe-low', ['suction']),
  instrument('probe-high', ['head']),
  instrument('clamps', ['suctionLine', 'liquidLine']),
  instrument('air', ['outdoor']),
];

async function following(instruments: readonly Instrument[] = ALL) {
  asked.length = 0;
  stage({ providers: [{ provide: HeardInstruments, useValue: { heard$: of(instruments) } }] });
  const page = await render(FollowRun, { composition: refrigerant('R-410A').composition, quantities: followedQuantities });
  const read: FollowedRun[] = [];
  page.fixture.componentInstance.read.subscribe((run) => read.push(run));
  /** What the instruments send within so many of our seconds, ten times as many of theirs. */
  const sends = async (seconds: number, drift = 0, names = Object.keys(VALUES) as FollowedQuantity[]) => {
    for (let k = 0; k < seconds; k++) {
      jest.advanceTimersByTime(1000);
      const at = Date.now();
      stream$.next({
        kind: 'readings',
        readings: names.map((name) => {
          const by = ALL.find(({ last }) => last[name] !== undefined)!.id;
          return [by, name, at, VALUES[name]! + (name === 'suctionLine' ? drift * k : 0)];
        }),
      });
    }
    await settled(page.fixture);
  };
  return { ...page, read, sends };
}

test('it is offered only where the four that decide are heard, with what else there is', async () => {
  const { text } = await following(ALL.slice(0, 2));
  expect(text()).not.toContain('Follow');
  TestBed.resetTestingModule();
  expect((await following()).text()).toContain('Follow 4 instruments');
});

test('what was sent before it was opened is asked for as well, in the time of the instruments', async () => {
  const { press } = await following();
  await press(/^Follow 4/);
  expect(asked[0]).toBe('probe-high,probe-low,clamps,air');
  expect(START - Date.parse(asked[1]!)).toBe(90_000);
});

test('it is settled where the readings stand still', async () => {
  const still = await following();
  await still.press(/^Follow 4/);
  await still.sends(40);
  expect(still.text()).toContain('It has settled');
  expect(still.read.at(-1)).toMatchObject({ settled: true, values: { head: 2.6e6, outdoor: 304 } });
  expect(still.root.querySelector('hy-settling-trace svg')?.getAttribute('aria-label')).toMatch(/^Superheat \d+\.\d °F, subcooling/);
});

test('it is not settled while one of them drifts', async () => {
  const moving = await following();
  await moving.press(/^Follow 4/);
  await moving.sends(40, 0.06);
  expect(moving.text()).toContain('Not settled yet');
  expect(moving.text()).toMatch(/in four minutes superheat \+2\.\d °F/);
  expect(moving.read.at(-1)?.settled).toBe(false);
});

test('an instrument that falls silent is named', async () => {
  const { press, sends, text } = await following();
  await press(/^Follow 4/);
  await sends(20);
  expect(text()).not.toContain('Nothing is heard');
  await sends(18, 0, ['head', 'suction', 'suctionLine', 'outdoor']);
  expect(text()).toContain('Nothing is heard: liquid line.');
  await press('Stop following');
  expect(text()).toContain('Follow 4 instruments');
});

test('what is followed stands in the fields in their units, the rest as it was typed; by hand the minutes decide again', () => {
  const units = typedUnits(1 / 1.8, false);
  const typed = { ...emptyCheck('psig', 'F'), minutes: '20' };
  const followed = withFollowed(
    { ...typed, air: { ...typed.air, wetBulb: { unit: 'F', text: '64', ounces: '' } } },
    { values: { head: 101_325 + 250 * 6894.757, outdoor: 303.15 }, moments: [], settled: false, driftK: undefined },
    ATMOSPHERE,
  );
  expect([followed.readings.head.text, followed.air.outdoor.text, followed.air.wetBulb.text]).toEqual(['250.0', '86.0', '64']);
  expect(followed.readings.suction.text).toBe('');
  expect(readCheck(followed, ATMOSPHERE, units).settled).toBe(false);
  expect(readCheck({ ...followed, seen: 'settled', minutes: '' }, ATMOSPHERE, units).settled).toBe(true);
  expect(readCheck({ ...followed, seen: '' }, ATMOSPHERE, units).settled).toBe(true);
});
