import { Injectable, type OnDestroy } from '@angular/core';
import type { Observable } from 'rxjs';
import type { CoreApi } from './core-api';
import { createWorker } from './create-worker';
import type { OperationName, Operations } from './property-operations';
import { WorkerClient } from './worker-client';

/** The heaviest question takes some seconds on a phone. */
const LONGEST_MS = 30_000;

/** The computation core, asked in its worker. The worker and its data are loaded when something is first asked. */
@Injectable({ providedIn: 'root' })
export class CoreWorker implements OnDestroy {
  private readonly client = new WorkerClient<CoreApi>(createWorker, LONGEST_MS);

  /** One answer, or the core's sentence as an error. Who stops listening gets nothing: the newest question wins by `switchMap`. */
  ask$<K extends OperationName>(name: K, args: Parameters<Operations[K]>[0]): Observable<ReturnType<Operations[K]>> {
    return this.client.ask$((remote) => remote.answer(name, args) as Promise<ReturnType<Operations[K]>>); // the worker runs the operation of that name
  }

  ngOnDestroy(): void {
    this.client.end();
  }
}
