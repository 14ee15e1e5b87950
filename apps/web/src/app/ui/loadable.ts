import { catchError, map, of, startWith, type Observable } from 'rxjs';

/** What is asked for and may not be there yet, or not at all. */
export type Loadable<T> =
  { readonly state: 'waiting' } | { readonly state: 'ready'; readonly value: T } | { readonly state: 'failed'; readonly sentence: string };

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
