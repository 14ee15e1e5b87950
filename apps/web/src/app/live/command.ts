import { signal, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, exhaustMap, map, of, Subject, tap, type Observable } from 'rxjs';
import { Refusal } from './refusal';

export type CommandState =
  { readonly state: 'idle' } | { readonly state: 'busy' } | { readonly state: 'refused'; readonly refusal: Refusal };

/** Something a person sends: once at a time, and its refusal is kept until the next try. */
export interface Command<A> {
  readonly state: Signal<CommandState>;
  readonly send: (args: A) => void;
  readonly reset: () => void;
}

/** Call it where things may be injected. `done` runs when the server has accepted. */
export function command<A, R>(call: (args: A) => Observable<R>, done: (answer: R, args: A) => void): Command<A> {
  const state = signal<CommandState>({ state: 'idle' });
  const sent$ = new Subject<A>();
  sent$
    .pipe(
      tap(() => state.set({ state: 'busy' })),
      exhaustMap((args) =>
        call(args).pipe(
          map((answer): CommandState => {
            done(answer, args);
            return { state: 'idle' };
          }),
          catchError((error: unknown) => {
            if (error instanceof Refusal) return of<CommandState>({ state: 'refused', refusal: error });
            throw error;
          }),
        ),
      ),
      takeUntilDestroyed(),
    )
    .subscribe((next) => state.set(next));
  return { state: state.asReadonly(), send: (args) => sent$.next(args), reset: () => state.set({ state: 'idle' }) };
}

/** The sentence of the last refusal, of the whole or of one field (a JSON pointer). */
export const refusalIn = (state: CommandState, pointer?: string): string | undefined => {
  if (state.state !== 'refused') return undefined;
  return pointer === undefined ? state.refusal.message : state.refusal.fields[pointer];
};
