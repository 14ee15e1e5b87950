import { catchError, map, of, startWith, type Observable } from 'rxjs';

/** What is asked for and may not be there yet, or not at all. */
export type Loadable<T> =
  | { readonly state: 'waiting' }
  /** `stale`: the answer to an earlier question, while that of now is computed. A drawing may follow it; a person must not act on it. */
  | { readonly state: 'ready'; readonly value: T; readonly stale?: true }
  | { readonly state: 'failed'; readonly sentence: string };

export const waiting: Loadable<never> = { state: 'waiting' };

const failed = (error: unknown): Loadable<never> => ({
  state: 'failed',
  sentence: error instanceof Error ? error.message : 'Something failed.',
});

/** A failed request is a value, so that the stream lives on. */
export const loadable = <T>(source: Observable<T>): Observable<Loadable<T>> =>
  source.pipe(
    map((value): Loadable<T> => ({ state: 'ready', value })),
    startWith(waiting),
    catchError((error: unknown) => of(failed(error))),
  );

export const valueOf = <T>(loaded: Loadable<T>): T | undefined => (loaded.state === 'ready' ? loaded.value : undefined);

/** The value, where it is the answer to exactly what is asked now. */
export const currentOf = <T>(loaded: Loadable<T>): T | undefined => (loaded.state === 'ready' && !loaded.stale ? loaded.value : undefined);

/** Whether the answer to what is asked now is on its way, and that of before stands meanwhile. */
export const isStale = (loaded: Loadable<unknown>): boolean => loaded.state === 'ready' && loaded.stale === true;
