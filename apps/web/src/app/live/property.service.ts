import { Injectable, type OnDestroy } from '@angular/core';
import { filter, fromEvent, map, merge, Observable, share, switchMap, take, throwError, timeout } from 'rxjs';
import { createWorker } from './create-worker';
import type { OperationName, Operations } from './property-operations';
import type { WorkerAnswer, WorkerRequest } from './worker-messages';

/** The heaviest question takes some seconds on a phone. */
const LONGEST_MS = 30_000;

/** The computation core, asked in its worker. The worker and its data are loaded when something is first asked. */
@Injectable({ providedIn: 'root' })
export class PropertyService implements OnDestroy {
  private worker: Worker | undefined;
  private answers$: Observable<WorkerAnswer> | undefined;
  private lastId = 0;

  /** One answer, or the core's sentence as an error. Who stops listening gets nothing: the newest question wins by `switchMap`. */
  ask$<K extends OperationName>(name: K, args: Parameters<Operations[K]>[0]): Observable<ReturnType<Operations[K]>> {
    return new Observable((subscriber) => {
      const { worker, answers$ } = this.started();
      const request: WorkerRequest = { id: ++this.lastId, name, args };
      const subscription = answers$
        .pipe(
          filter(({ id }) => id === request.id),
          take(1),
          timeout({ first: LONGEST_MS, with: () => this.endedFor(worker) }),
          map((answer) => {
            if (answer.state === 'failed') throw new Error(answer.message);
            return answer.value as ReturnType<Operations[K]>; // the worker runs the operation of that name
          }),
        )
        .subscribe(subscriber);
      worker.postMessage(request);
      return subscription;
    });
  }

  private started(): { worker: Worker; answers$: Observable<WorkerAnswer> } {
    const worker = (this.worker ??= createWorker());
    this.answers$ ??= merge(
      fromEvent<MessageEvent<WorkerAnswer>>(worker, 'message').pipe(map(({ data }) => data)),
      merge(fromEvent(worker, 'error'), fromEvent(worker, 'messageerror')).pipe(switchMap(() => this.endedFor(worker))),
    ).pipe(share());
    return { worker, answers$: this.answers$ };
  }

  /** A worker that broke or hangs is ended; the next question starts another. */
  private endedFor(worker: Worker): Observable<never> {
    if (this.worker === worker) {
      worker.terminate();
      this.worker = undefined;
      this.answers$ = undefined;
    }
    return throwError(() => new Error('The computation broke off. Change something, and it is computed again.'));
  }

  ngOnDestroy(): void {
    this.worker?.terminate();
  }
}
