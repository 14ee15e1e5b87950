import { provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom, NEVER, of, Subject, throwError } from 'rxjs';
import { Api } from './api';
import { interceptors } from './interceptors';
import { coreQuery } from '../core-worker/core-query';
import { mutation, errorIn } from './mutation';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ApiError } from './api-error';
import { ServerData } from './server-data.service';
import { currentOf, isStale, valueOf, type Loadable } from '../ui/loadable';

const answered = async () => {
  for (let k = 0; k < 4; k++) {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve));
  }
};

describe('the server’s endpoints', () => {
  beforeEach(() =>
    TestBed.configureTestingModule({ providers: [provideHttpClient(withInterceptors(interceptors)), provideHttpClientTesting()] }),
  );
  const http = () => TestBed.inject(HttpTestingController);

  test('an id becomes part of the path, escaped', () => {
    TestBed.inject(Api)
      .call$('cylinder', { params: { id: 'a/b c' } })
      .subscribe();
    expect(http().expectOne('/api/cylinders/a%2Fb%20c').request.method).toBe('GET');
  });

  test('a problem becomes an error with its sentence and its fields', () => {
    let apiError: ApiError | undefined;
    TestBed.inject(Api)
      .call$('cylinders')
      .subscribe({ error: (error: ApiError) => (apiError = error) });
    const problem = { code: 'invalid-input', detail: 'Look at the fields.', errors: [{ pointer: '/tareKg', detail: 'The tare is 0.' }] };
    http().expectOne('/api/cylinders').flush(problem, { status: 422, statusText: 'x' });
    expect(apiError).toMatchObject({ code: 'invalid-input', message: 'Look at the fields.', fields: { '/tareKg': 'The tare is 0.' } });
  });

  test('no answer is said as such, with what happens to what was typed', () => {
    let apiError: ApiError | undefined;
    TestBed.inject(Api)
      .call$('saveSystemFacts', { params: { id: 's1' }, body: { version: 1, facts: {}, recordedBy: 'Ines Marrow' } })
      .subscribe({ error: (error: ApiError) => (apiError = error) });
    http().expectOne('/api/systems/s1/facts').error(new ProgressEvent('error'));
    expect(apiError?.code).toBe('offline');
    expect(apiError?.message).toMatch(/kept on this device/);
  });

  test('what this device changes is read anew', () => {
    const serverData = TestBed.inject(ServerData);
    const seen: unknown[] = [];
    serverData.accounts$.subscribe((accounts) => seen.push(accounts));
    http().expectOne('/api/accounts').flush([]);
    serverData.reverse$('m1', { key: 'k', recordedBy: 'Ines Marrow', note: 'hose on the scale' }).subscribe();
    http().expectOne('/api/movements/m1/reversal').flush({});
    http()
      .expectOne('/api/accounts')
      .flush([{ id: 'a' }]);
    expect(seen).toEqual([[], [{ id: 'a' }]]);
  });

  test('a booking is over when what stands on the page has it', () => {
    const serverData = TestBed.inject(ServerData);
    serverData.accounts$.subscribe();
    http().expectOne('/api/accounts').flush([]);
    let isOver = false;
    serverData.reverse$('m1', { key: 'k', recordedBy: 'Ines Marrow', note: 'hose on the scale' }).subscribe(() => (isOver = true));
    http().expectOne('/api/movements/m1/reversal').flush({});
    expect(isOver).toBe(false);
    http().expectOne('/api/accounts').flush([]);
    expect(isOver).toBe(true);
  });
});

describe('a mutation', () => {
  const open = <R>(call: () => import('rxjs').Observable<R>) => {
    const done: R[] = [];
    return { done, sending: TestBed.runInInjectionContext(() => mutation(call, (answer) => done.push(answer))) };
  };

  test('runs once at a time', () => {
    const answer$ = new Subject<number>();
    let calls = 0;
    const { done, sending } = open(() => (calls++, answer$));
    sending.send(undefined);
    sending.send(undefined);
    expect([calls, sending.state().state]).toEqual([1, 'busy']);
    answer$.next(7);
    answer$.complete();
    expect([done, sending.state().state]).toEqual([[7], 'idle']);
  });

  test('keeps its error until the next try, by field and as a whole', () => {
    const { sending } = open(() => throwError(() => new ApiError('invalid-input', 'Look.', { '/name': 'Taken.' })));
    sending.send(undefined);
    expect(errorIn(sending.state())).toBe('Look.');
    expect(errorIn(sending.state(), '/name')).toBe('Taken.');
    expect(errorIn(sending.state(), '/place')).toBeUndefined();
    sending.reset();
    expect(errorIn(sending.state())).toBeUndefined();
  });
});

describe('the core in its worker', () => {
  test('answers what it is asked, and its sentence when it cannot, in the units of the device', async () => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(withInterceptors(interceptors)), provideHttpClientTesting()] });
    const args = signal<{ composition: Record<string, number>; given: { T: number } } | undefined>(undefined);
    const points = TestBed.runInInjectionContext(() => coreQuery(TestBed.inject(CoreWorker), 'twoPoints', args));
    expect(points().state).toBe('waiting');
    args.set({ composition: { 'R-134a': 1 }, given: { T: 298.15 } });
    await answered();
    expect(points()).toMatchObject({ state: 'ready' });
    args.set({ composition: { 'R-134a': 1 }, given: { T: 400 } });
    await answered();
    // R-134a ends at 374.21 K: 213.9 °F (published critical point)
    expect(points()).toMatchObject({
      state: 'failed',
      sentence: expect.stringMatching(/^At 260 °F .*saturation line .* ends at 214 °F\.$/),
    });
  });

  test('what follows from a stale answer is stale', async () => {
    const core = { ask$: (_: string, wanted: number) => of(wanted) } as unknown as CoreWorker; // as much as is asked of it
    const upstream = signal<Loadable<number>>({ state: 'ready', value: 1 });
    const args = signal<number | undefined>(1);
    const answer = TestBed.runInInjectionContext(() => coreQuery(core, 'superheat', args as never, upstream));
    await answered();
    expect(isStale(answer())).toBe(false);
    upstream.set({ state: 'ready', value: 1, stale: true });
    expect([valueOf(answer()), isStale(answer()), currentOf(answer())]).toEqual([1, true, undefined]);
    upstream.set({ state: 'ready', value: 2 });
    expect(isStale(answer())).toBe(false);
  });

  test('drops an answer that is no longer wanted', async () => {
    const slow = { ask$: (_: string, wanted: number) => (wanted === 1 ? NEVER : of(wanted)) } as unknown as CoreWorker; // as much as is asked of it
    const args = signal<number | undefined>(1);
    const answer = TestBed.runInInjectionContext(() => coreQuery(slow, 'superheat', args as never));
    await answered();
    args.set(2);
    await answered();
    expect(answer()).toEqual({ state: 'ready', value: 2 });
  });

  test('an answer is stale from the moment something else is asked, and no answer at all once nothing is', async () => {
    const answers = new Map<number, Subject<number>>();
    const slow = {
      ask$: (_: string, wanted: number) => answers.set(wanted, new Subject()).get(wanted)!,
    } as unknown as CoreWorker; // as much as is asked of it
    const args = signal<number | undefined>(1);
    const answer = TestBed.runInInjectionContext(() => coreQuery(slow, 'superheat', args as never)) as unknown as () => Loadable<number>;
    await answered();
    answers.get(1)!.next(10);
    expect([currentOf(answer()), isStale(answer())]).toEqual([10, false]);
    args.set(2); // at once, before anything is computed or drawn
    expect([valueOf(answer()), currentOf(answer()), isStale(answer())]).toEqual([10, undefined, true]);
    await answered();
    expect(isStale(answer())).toBe(true);
    answers.get(2)!.next(20);
    expect([currentOf(answer()), isStale(answer())]).toEqual([20, false]);
    args.set(undefined);
    expect(answer().state).toBe('waiting');
  });

  test('a worker that breaks is said, and the next question is answered by another', async () => {
    const properties = TestBed.inject(CoreWorker);
    const args = { composition: { 'R-134a': 1 }, given: { T: 298.15 } };
    await firstValueFrom(properties.ask$('twoPoints', args));
    const { worker } = (properties as unknown as { client: { running: { worker: Worker } } }).client.running;
    const said: string[] = [];
    worker.postMessage = () => void worker.dispatchEvent(new Event('error'));
    properties.ask$('twoPoints', args).subscribe({ error: (error: Error) => said.push(error.message) });
    expect(said).toEqual([expect.stringContaining('broke off')]);
    expect(await firstValueFrom(properties.ask$('twoPoints', args))).toMatchObject({ bubble: expect.anything() });
  });
});
