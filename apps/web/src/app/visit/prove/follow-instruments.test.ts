import type { Instrument } from '@hygromet/contract/instrument';
import type { VisitTest } from '@hygromet/contract/visit-test';
import { of, Subject } from 'rxjs';
import { render, settled, stage } from '../../../../test/scene';
import type { FromStream } from '../../data/reading-stream';
import { HeardInstruments } from '../live/heard-instruments';
import { VisitJob, type Addition } from '../visit-job';
import { FollowInstruments } from './follow-instruments';

const stream$ = new Subject<FromStream>();
let asked: { instruments: readonly string[]; since: string } | undefined;
jest.mock('../../data/reading-stream', () => ({
  readings$: (instruments: readonly string[], since: string) => {
    asked = { instruments, since };
    return stream$;
  },
}));

const START = Date.parse('2026-11-26T08:00:00Z');
beforeEach(() => {
  asked = undefined;
  jest.useFakeTimers({ now: START, doNotFake: ['setTimeout', 'setImmediate', 'queueMicrotask', 'nextTick'] });
});
afterEach(() => jest.useRealTimers());

const gauge = (speed = 1) =>
  ({
    id: 'micron-1',
    heardAt: new Date(START).toISOString(),
    facts: { speed },
    last: { vacuum: { at: new Date(START).toISOString(), value: 66 } },
  }) as unknown as Instrument;
const running = (more: Partial<VisitTest> = {}) =>
  ({
    id: 't1',
    setUp: { test: 'pull-down' },
    begunAt: new Date(START).toISOString(),
    readings: [],
    followed: null,
    ended: null,
    ...more,
  }) as unknown as VisitTest;

async function following(test: VisitTest, instruments: readonly Instrument[] = [gauge()], quantities: readonly string[] = ['vacuum']) {
  const sent: Addition[] = [];
  const job = {
    queue: () => (addition: Addition) => void sent.push(addition),
    adding: () => ({ send: (addition: Addition) => void sent.push(addition), state: () => ({ state: 'idle' }) }),
  };
  stage({
    providers: [
      { provide: HeardInstruments, useValue: { heard$: of(instruments) } },
      { provide: VisitJob, useValue: job },
    ],
  });
  const readingOf = ([p = 0]: readonly number[]) => ({ micron: p });
  const page = await render(FollowInstruments, { test, quantities, leastS: 10, readingOf });
  /** A reading every second, and the page looks. */
  const passes = async (seconds: number, value: (s: number) => number) => {
    for (let s = 0; s < seconds; s++) {
      jest.advanceTimersByTime(1000);
      stream$.next({ kind: 'readings', readings: [['micron-1', 'vacuum', Date.now(), value(s)]] });
    }
    await settled(page.fixture);
  };
  return { ...page, sent, passes };
}

test('what is heard is offered, and following begins with the instruments and how fast their time passes', async () => {
  const { press, sent } = await following(running(), [gauge(60)]);
  await press('Follow micron-1');
  expect(sent).toEqual([{ kind: 'test-followed', testId: 't1', instruments: ['micron-1'], speed: 60, readings: [] }]);
});

test('nothing is offered while one of them is not heard', async () => {
  const { text } = await following(running(), []);
  expect(text()).not.toContain('Follow');
});

const followed = { instruments: ['micron-1'], speed: 1 };

test('readings are added as they come, as samples with their time in the test', async () => {
  const { sent, passes } = await following(running({ followed }));
  expect(asked).toEqual({ instruments: ['micron-1'], since: new Date(START).toISOString() });
  await passes(40, (s) => 1000 - s);
  const readings = sent.flatMap((addition) => (addition.kind === 'test-followed' ? addition.readings : []));
  expect(readings.map(({ t }) => t)).toEqual([5, 15, 25, 35]);
  expect(readings.map(({ reading }) => ('micron' in reading ? Math.round(reading.micron) : 0))).toEqual([996, 986, 976, 966]);
});

test('whoever opens it later goes on from the last reading that stands in the record', async () => {
  const readings = [5, 15, 25].map((t) => ({ at: new Date(START + 1000 * t).toISOString(), by: 'micron-1', reading: { micron: 900 } }));
  const { sent, passes, text } = await following(running({ followed, readings }));
  expect(asked?.since).toBe(new Date(START + 25_000).toISOString());
  expect(text()).toContain('3 readings, the last 25 s after the start');
  await passes(50, () => 700);
  const added = sent.flatMap((addition) => (addition.kind === 'test-followed' ? addition.readings.map(({ t }) => t) : []));
  expect(added).toEqual([35, 45]);
});

test('a reading that jumps moves no sample, and silence is said', async () => {
  const { sent, passes, text, fixture } = await following(running({ followed }));
  await passes(16, (s) => (s === 4 ? 20_000 : 500));
  const [first] = sent.flatMap((addition) => (addition.kind === 'test-followed' ? addition.readings : []));
  expect(first).toEqual({ t: 5, reading: { micron: 500 } });
  jest.advanceTimersByTime(45_000);
  await settled(fixture);
  expect(text()).toContain('Nothing is heard: vacuum (above its range a micron gauge shows nothing). No reading is added without it.');
});

test('one instrument that falls silent is named though the others go on, and no sample is made up for it', async () => {
  const { sent, passes, text } = await following(running({ followed }), [gauge()], ['vacuum', 'air']);
  await passes(40, () => 500);
  expect(text()).toContain('Nothing is heard: air temperature.');
  expect(sent.filter((addition) => addition.kind === 'test-followed')).toEqual([]);
});
