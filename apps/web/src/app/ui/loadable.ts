import { catchError, map, NEVER, startWith, switchMap, take, type Observable } from 'rxjs';

/** What is asked for and may not be there yet, or not at all. */
export type Loadable<T> =
  | { readonly state: 'waiting' }
  /** `stale`: the answer to an earlier question, while that of now is computed. A drawing may follow it; a person must not act on it. */
  | { readonly state: 'ready'; readonly value: T; readonly stale?: true }
  | { readonly state: 'failed'; readonly sentence: string };

export const waiting: Loadable<never> = { state: 'waiting' };

const failed = (error: unknown): Loadable<never> => ({
  state: 'failed',
  sentence: error instanceof Error ? error.message : $localize`Something failed.`,
});

/**
 * A failed read is a value, and is read again when it may succeed: the page shows what failed until an answer is there.
 * @param again says when to read again after a failure; never, where it is not told
 */
export function loadable<T>(source$: Observable<T>, again: (error: unknown) => Observable<unknown> = () => NEVER): Observable<Loadable<T>> {
  const read$: Observable<Loadable<T>> = source$.pipe(
    map((value): Loadable<T> => ({ state: 'ready', value })),
    catchError((error: unknown) =>
      again(error).pipe(
        take(1),
        switchMap(() => read$),
        startWith(failed(error)),
      ),
    ),
  );
  return read$.pipe(startWith(waiting));
}

export const valueOf = <T>(loaded: Loadable<T>): T | undefined => (loaded.state === 'ready' ? loaded.value : undefined);

/** The value, where it is the answer to exactly what is asked now. */
export const currentOf = <T>(loaded: Loadable<T>): T | undefined => (loaded.state === 'ready' && !loaded.stale ? loaded.value : undefined);

/** All of them: failed as the first that failed, waited for while one is. What is not read is not taken as nothing. */
export function allOf(...reads: readonly Loadable<unknown>[]): Loadable<undefined> {
  const failure = reads.find((read) => read.state === 'failed');
  if (failure !== undefined) return failure;
  return reads.some(({ state }) => state === 'waiting') ? waiting : { state: 'ready', value: undefined };
}

/** Whether the answer to what is asked now is on its way, and that of before stands meanwhile. */
export const isStale = (loaded: Loadable<unknown>): boolean => loaded.state === 'ready' && loaded.stale === true;
