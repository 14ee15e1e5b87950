import { computed, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import equal from 'fast-deep-equal/es6';
import { catchError, map, of, switchMap } from 'rxjs';
import { isStale, waiting, type Loadable } from '../ui/loadable';
import type { OperationName, Operations } from './property-operations';
import type { CoreWorker } from './core-worker.service';

/**
 * The core's answer to arguments that change while a person drags or types. The last answer stays until the next is there, so that a
 * drawing follows without flicker, but it is `stale` from the moment the arguments differ: nobody acts on a number that belongs to other
 * inputs. An answer that is no longer wanted is dropped. Nothing is asked while there are no arguments.
 * @param from answers that the arguments are made of: while one of them is stale, so is what follows from it
 */
export function coreQuery<K extends OperationName>(
  properties: CoreWorker,
  name: K,
  args: Signal<Parameters<Operations[K]>[0] | undefined>,
  ...from: readonly Signal<Loadable<unknown>>[]
): Signal<Loadable<ReturnType<Operations[K]>>> {
  type Args = Parameters<Operations[K]>[0] | undefined;
  type Answer = Loadable<ReturnType<Operations[K]>>;
  // put together anew with each change of a page, they are often the same as before
  const asking = computed(args, { equal });
  const answers$ = toObservable(asking).pipe(
    switchMap((wanted) => {
      if (wanted === undefined) return of<{ to: Args; answer: Answer }>({ to: wanted, answer: waiting });
      return properties.ask$(name, wanted).pipe(
        map((value): Answer => ({ state: 'ready', value })),
        catchError((error: unknown) =>
          of<Answer>({ state: 'failed', sentence: error instanceof Error ? error.message : $localize`The core did not answer.` }),
        ),
        map((answer) => ({ to: wanted, answer })),
      );
    }),
  );
  const last = toSignal(answers$, { initialValue: { to: undefined as Args, answer: waiting } });
  return computed(() => {
    const [wanted, { to, answer }] = [asking(), last()];
    if (wanted === to && !from.some((upstream) => isStale(upstream()))) return answer;
    // what was asked before is answered, and something else is asked now, or will be
    return wanted !== undefined && answer.state === 'ready' ? { ...answer, stale: true } : waiting;
  });
}
