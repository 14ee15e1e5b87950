import { Injectable, type OnDestroy } from '@angular/core';
import { fromEvent, map, Observable, share, take, filter } from 'rxjs';
import { createWorker } from './create-worker';
import type { OperationName, Operations } from './property-operations';
import type { WorkerAnswer, WorkerRequest } from './worker-messages';

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
    this.worker ??= createWorker();
    this.answers$ ??= fromEvent<MessageEvent<WorkerAnswer>>(this.worker, 'message').pipe(
      map(({ data }) => data),
      share(),
    );
    return { worker: this.worker, answers$: this.answers$ };
  }

  ngOnDestroy(): void {
    this.worker?.terminate();
  }
}
