import type { ChargeNote } from '@hygromet/contract/charge-note';
import type { Instrument } from '@hygromet/contract/instrument';
import { of, Subject } from 'rxjs';
import { render, settled, stage } from '../../../../test/scene';
import type { FromStream } from '../../data/reading-stream';
import { FeedLive } from './feed-live';
import { HeardInstruments } from './heard-instruments';

const stream$ = new Subject<FromStream>();
jest.mock('../../data/reading-stream', () => ({ readings$: () => stream$ }));

const START = Date.parse('2026-11-26T08:00:00Z');
beforeEach(() => jest.useFakeTimers({ now: START, doNotFake: ['setTimeout', 'setImmediate', 'queueMicrotask', 'nextTick'] }));
afterEach(() => jest.useRealTimers());

const scale = (kg: number) =>
  ({
    id: 'scale-1',
    heardAt: new Date(START).toISOString(),
    facts: {},
    last: { gross: { at: new Date(START).toISOString(), value: kg } },
  }) as unknown as Instrument;

async function feeding(leftKg = 2) {
  stage({ providers: [{ provide: HeardInstruments, useValue: { heard$: of([scale(20)]) } }] });
  const page = await render(FeedLive, { leftKg });
  const told: [string, number][] = [];
  const noted: ChargeNote[] = [];
  page.fixture.componentInstance.noted.subscribe((note) => noted.push(note));
  page.fixture.componentInstance.began.subscribe((kg) => told.push(['began', kg]));
  page.fixture.componentInstance.finished.subscribe((kg) => told.push(['ended', kg]));
  /** The scale, a second later each. */
  const reads = async (...grosses: readonly number[]) => {
    for (const gross of grosses) {
      jest.advanceTimersByTime(1000);
      stream$.next({ kind: 'readings', readings: [['scale-1', 'gross', Date.now(), gross]] });
    }
    await settled(page.fixture);
  };
  const alarm = () => page.root.querySelector('[role=alertdialog]');
  return { ...page, told, noted, reads, alarm };
}

test('it is followed from what the scale shows, and says what is fed and left', async () => {
  const { press, reads, text, told, alarm } = await feeding();
  await press(/^Follow scale-1/);
  expect(told).toEqual([['began', 20]]);
  await reads(19.99, 19.97, 19.95, 19.93, 19.9);
  expect(text()).toMatch(/0\.22 lb ?fed · 4\.1 lb left/);
  expect(alarm()).toBeNull();
});

test('it calls before the charge is in, with the whole screen, and the answer is in the hand', async () => {
  const { press, reads, alarm } = await feeding();
  await press(/^Follow/);
  await reads(18.4, 18.35, 18.3, 18.25, 18.2, 18.15);
  expect(alarm()?.textContent).toContain('Close the valve now');
  expect(document.activeElement?.textContent).toContain('Valve is shut');
});

test('answered it is still, and comes again while more goes in than hand and valve explain', async () => {
  const { press, reads, alarm, noted } = await feeding();
  await press(/^Follow/);
  await reads(18.4, 18.35, 18.3, 18.25, 18.2, 18.15);
  await press('Valve is shut');
  expect(alarm()).toBeNull();
  // both stand in the record
  expect(noted).toMatchObject([{ what: 'alarm', stage: 'now' }, { what: 'answered' }]);
  expect(noted[1]).toHaveProperty('fedKg', expect.closeTo(1.85, 9));
  await reads(18.12, 18.11, 18.1, 18.1, 18.1, 18.1);
  expect(alarm()).toBeNull();
  await reads(18.06, 18.02, 17.98);
  expect(alarm()?.textContent).toMatch(/More than the charge|Close the valve now/);
});

test('more than the charge is said as such', async () => {
  const { press, reads, alarm, text } = await feeding();
  await press(/^Follow/);
  await reads(18.2, 18.1, 18, 17.9);
  expect(alarm()?.textContent).toContain('More than the charge. Close the valve');
  expect(text()).toContain('too much');
});

test('a scale that says nothing is told: nobody would call out', async () => {
  const { press, reads, text, fixture } = await feeding();
  await press(/^Follow/);
  await reads(19.9);
  expect(text()).not.toContain('says nothing');
  jest.advanceTimersByTime(8000);
  await settled(fixture);
  expect(text()).toContain('scale-1 says nothing: nobody calls out.');
});

test('the reading at the end is handed over', async () => {
  const { press, reads, told } = await feeding();
  await press(/^Follow/);
  await reads(19, 18.9);
  await press('Stop following, take the reading');
  expect(told.at(-1)).toEqual(['ended', 18.9]);
});
