import { ErrorHandler, inject, signal, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, exhaustMap, map, of, Subject, tap, type Observable } from 'rxjs';
import { ApiError } from './api-error';

export type MutationState =
  | { readonly state: 'idle' }
  | { readonly state: 'busy' }
  | { readonly state: 'refused'; readonly apiError: ApiError };

/** Something a person sends: once at a time, and its error is kept until the next try. */
export interface Mutation<A> {
  readonly state: Signal<MutationState>;
  readonly send: (args: A) => void;
  readonly reset: () => void;
}

/** What was sent may have been kept: whoever sends it again sends it with its key. */
const UNFORESEEN = $localize`Something went wrong on this page. What you typed is kept: try again, or reload the page.`;

/** Call it where things may be injected. `done` runs when the server has accepted. */
export function mutation<A, R>(call: (args: A) => Observable<R>, done: (answer: R, args: A) => void): Mutation<A> {
  const handler = inject(ErrorHandler);
  const state = signal<MutationState>({ state: 'idle' });
  const sent$ = new Subject<A>();
  sent$
    .pipe(
      tap(() => state.set({ state: 'busy' })),
      exhaustMap((args) =>
        call(args).pipe(
          map((answer): MutationState => {
            done(answer, args);
            return { state: 'idle' };
          }),
          catchError((error: unknown) => {
            if (error instanceof ApiError) return of<MutationState>({ state: 'refused', apiError: error });
            handler.handleError(error);
            return of<MutationState>({ state: 'refused', apiError: new ApiError('internal', UNFORESEEN) });
          }),
        ),
      ),
      takeUntilDestroyed(),
    )
    .subscribe((next) => state.set(next));
  return { state: state.asReadonly(), send: (args) => sent$.next(args), reset: () => state.set({ state: 'idle' }) };
}

/** The sentence of the last error, of the whole or of one field (a JSON pointer). */
export const errorIn = (state: MutationState, pointer?: string): string | undefined => {
  if (state.state !== 'refused') return undefined;
  return pointer === undefined ? state.apiError.message : state.apiError.fields[pointer];
};
