import { defer, of, Subject, throwError } from 'rxjs';
import { allOf, loadable, valueOf, waiting, type Loadable } from './loadable';

test('what is asked for is waited for, and then there', () => {
  const answer$ = new Subject<number>();
  const seen: Loadable<number>[] = [];
  loadable(answer$).subscribe((state) => seen.push(state));
  answer$.next(7);
  answer$.next(8);
  expect(seen).toEqual([{ state: 'waiting' }, { state: 'ready', value: 7 }, { state: 'ready', value: 8 }]);
});

test('a failure is a value with its sentence, and the stream does not break whoever listens', () => {
  const seen: Loadable<number>[] = [];
  loadable(throwError(() => new Error('The server did not answer.'))).subscribe((state) => seen.push(state));
  expect(seen.at(-1)).toEqual({ state: 'failed', sentence: 'The server did not answer.' });
  loadable(throwError(() => 'no error at all')).subscribe((state) => seen.push(state));
  expect(seen.at(-1)).toEqual({ state: 'failed', sentence: 'Something failed.' });
});

test('what failed is read again when it may succeed, and what comes later is seen as well', () => {
  const again$ = new Subject<void>();
  const answers$ = new Subject<number>();
  let tries = 0;
  const read$ = defer(() => (++tries < 3 ? throwError(() => new Error(`try ${tries}`)) : answers$));
  const seen: string[] = [];
  loadable(read$, () => again$).subscribe((state) => seen.push(state.state === 'failed' ? state.sentence : state.state));
  again$.next();
  again$.next();
  answers$.next(1);
  again$.next(); // nothing has failed: nothing is read
  answers$.next(2);
  expect([seen, tries]).toEqual([['waiting', 'try 1', 'try 2', 'ready', 'ready'], 3]);
});

test('there is a value only when it is ready', () => {
  expect(valueOf({ state: 'waiting' })).toBeUndefined();
  expect(valueOf({ state: 'failed', sentence: 'x' })).toBeUndefined();
  let last: Loadable<string> = { state: 'waiting' };
  loadable(of('there')).subscribe((state) => (last = state));
  expect(valueOf(last)).toBe('there');
});

test('of several reads the first failure is told, else that one is on its way', () => {
  const ready = { state: 'ready', value: 1 } as const;
  const failed = (sentence: string) => ({ state: 'failed', sentence }) as const;
  expect(allOf(ready, ready)).toEqual({ state: 'ready', value: undefined });
  expect(allOf(ready, waiting)).toEqual(waiting);
  expect(allOf(waiting, failed('no server'), failed('no database'))).toEqual(failed('no server'));
});
