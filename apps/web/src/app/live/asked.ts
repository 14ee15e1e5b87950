import type { Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, map, of, switchMap } from 'rxjs';
import { waiting, type Loadable } from '../ui/loadable';
import type { OperationName, Operations } from './property-operations';
import type { PropertyService } from './property.service';

/**
 * The core's answer to arguments that change while a person drags or types. The last answer stays until the next is there, so that a
 * drawing follows without flicker; an answer that is no longer wanted is dropped. Nothing is asked while there are no arguments.
 */
export function asked<K extends OperationName>(
  properties: PropertyService,
  name: K,
  args: Signal<Parameters<Operations[K]>[0] | undefined>,
): Signal<Loadable<ReturnType<Operations[K]>>> {
  type Answer = Loadable<ReturnType<Operations[K]>>;
  const answers$ = toObservable(args).pipe(
    switchMap((wanted) => {
      if (wanted === undefined) return of<Answer>(waiting);
      return properties.ask$(name, wanted).pipe(
        map((value): Answer => ({ state: 'ready', value })),
        catchError((error: unknown) =>
          of<Answer>({ state: 'failed', sentence: error instanceof Error ? error.message : 'The core did not answer.' }),
        ),
      );
    }),
  );
  return toSignal(answers$, { initialValue: waiting });
}
