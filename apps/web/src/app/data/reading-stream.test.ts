import { readings$, type FromStream } from './reading-stream';

/** Stands in for the browser's own, which jsdom lacks. */
class FakeSource extends EventTarget {
  static readonly CLOSED = 2;
  static readonly made: FakeSource[] = [];
  readyState = 1;
  closed = false;
  constructor(readonly url: string) {
    super();
    FakeSource.made.push(this);
  }
  close(): void {
    this.closed = true;
    this.readyState = 2;
  }
  say(event: string, data?: unknown): void {
    this.dispatchEvent(data === undefined ? new Event(event) : new MessageEvent(event, { data: JSON.stringify(data) }));
  }
}

let events: FromStream[];
let stop: () => void;
const latest = () => FakeSource.made.at(-1)!;
beforeEach(() => {
  jest.useFakeTimers();
  (globalThis as { EventSource?: unknown }).EventSource = FakeSource;
  FakeSource.made.length = 0;
  events = [];
  const subscription = readings$(['scale-1', 'probe-high'], '2026-11-29T09:00:00.000Z').subscribe((event) => events.push(event));
  stop = () => subscription.unsubscribe();
});
afterEach(() => {
  stop();
  jest.useRealTimers();
});
const kinds = () => events.map(({ kind }) => kind);

test('asks for its instruments since an instant and passes readings on', () => {
  expect(latest().url).toBe('/api/instruments/stream?instruments=scale-1%2Cprobe-high&since=2026-11-29T09%3A00%3A00.000Z');
  latest().say('open');
  latest().say('readings', [['scale-1', 'gross', 1, 12.5]]);
  expect(events).toEqual([{ kind: 'connected' }, { kind: 'readings', readings: [['scale-1', 'gross', 1, 12.5]] }]);
});

test('a connection that says nothing any more counts as lost and is opened anew; a beat keeps it', () => {
  latest().say('open');
  jest.advanceTimersByTime(9000);
  latest().say('beat');
  jest.advanceTimersByTime(9000);
  expect(kinds()).toEqual(['connected']);
  jest.advanceTimersByTime(2000);
  expect(kinds()).toEqual(['connected', 'lost']);
  expect(FakeSource.made).toHaveLength(2);
  expect(FakeSource.made[0]!.closed).toBe(true);
});

test('one that was refused is tried again, one that the browser mends itself is left to it', () => {
  latest().say('error');
  jest.advanceTimersByTime(3000);
  expect(FakeSource.made).toHaveLength(1);
  latest().readyState = 2;
  latest().say('error');
  jest.advanceTimersByTime(3000);
  expect(FakeSource.made).toHaveLength(2);
});

test('a device that is offline says so at once, and comes back by itself', () => {
  latest().say('open');
  dispatchEvent(new Event('offline'));
  expect(kinds()).toEqual(['connected', 'lost']);
  dispatchEvent(new Event('online'));
  latest().say('open');
  expect(kinds()).toEqual(['connected', 'lost', 'connected']);
});

test('who listens no more leaves nothing open', () => {
  stop();
  expect(latest().closed).toBe(true);
  jest.advanceTimersByTime(60_000);
  dispatchEvent(new Event('online'));
  expect(FakeSource.made.filter(({ closed }) => !closed)).toEqual([]);
});
