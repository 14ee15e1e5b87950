import { expose } from 'comlink';
import { firstValueFrom, type Observable } from 'rxjs';
import { WorkerClient } from './worker-client';

interface Api {
  readonly double: (value: number) => number;
  readonly never: () => Promise<number>;
  readonly refuse: () => number;
}

/** Workers that answer in the next microtask; each knows whether it was ended. */
function workers() {
  const started: { ended: boolean; worker: Worker }[] = [];
  const create = (): Worker => {
    const [outside, inside] = [new EventTarget(), new EventTarget()];
    const postTo = (target: EventTarget) => (data: unknown) =>
      queueMicrotask(() => target.dispatchEvent(new MessageEvent('message', { data })));
    const refuse = () => {
      throw new Error('It boils nowhere.');
    };
    const api: Api = { double: (value) => 2 * value, never: () => new Promise<number>(() => undefined), refuse };
    expose(api, Object.assign(inside, { postMessage: postTo(outside) }));
    const worker = Object.assign(outside, { postMessage: postTo(inside), terminate: () => void (one.ended = true) }) as unknown as Worker; // as much of one as is used
    const one = { ended: false, worker };
    started.push(one);
    return worker;
  };
  return { started, client: new WorkerClient<Api>(create, 60) };
}

const sentenceOf = (answer$: Observable<unknown>) => firstValueFrom(answer$).catch(({ message }: Error) => message);

test('one worker answers all questions, and is started with the first', async () => {
  const { started, client } = workers();
  expect(started).toHaveLength(0);
  expect(await Promise.all([1, 2, 3].map((value) => firstValueFrom(client.ask$((remote) => remote.double(value)))))).toEqual([2, 4, 6]);
  expect(started).toHaveLength(1);
});

test('what the core refuses comes as its sentence, and the worker lives on', async () => {
  const { started, client } = workers();
  expect(await sentenceOf(client.ask$((remote) => remote.refuse()))).toBe('It boils nowhere.');
  expect(await firstValueFrom(client.ask$((remote) => remote.double(4)))).toBe(8);
  expect(started.map(({ ended }) => ended)).toEqual([false]);
});

test('a worker that does not answer in time is ended, whoever waits is told, and the next question starts another', async () => {
  const { started, client } = workers();
  expect(await sentenceOf(client.ask$((remote) => remote.never()))).toContain('broke off');
  expect(await firstValueFrom(client.ask$((remote) => remote.double(5)))).toBe(10);
  expect(started.map(({ ended }) => ended)).toEqual([true, false]);
});

test('what is stopped tells all who wait why', async () => {
  const { started, client } = workers();
  const waiting = [sentenceOf(client.ask$((remote) => remote.never())), sentenceOf(client.ask$((remote) => remote.never()))];
  client.end('Planning was stopped.');
  expect(await Promise.all(waiting)).toEqual(['Planning was stopped.', 'Planning was stopped.']);
  expect(started[0]!.ended).toBe(true);
});

test('a worker that breaks is not mistaken for the one that came after it', async () => {
  const { started, client } = workers();
  await firstValueFrom(client.ask$((remote) => remote.double(1)));
  client.end();
  await firstValueFrom(client.ask$((remote) => remote.double(1)));
  started[0]!.worker.dispatchEvent(new Event('error'));
  expect(started.map(({ ended }) => ended)).toEqual([true, false]);
});
