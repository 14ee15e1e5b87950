import { inject, Injectable, Injector, type OnDestroy } from '@angular/core';
import { sentenceText } from '@hygromet/contract/sentence';
import { map, type Observable } from 'rxjs';
import { wordingIn } from '../data/wording';
import { Units } from '../preferences/units.service';
import type { CoreAnswer, CoreApi } from './core-api';
import { createWorker } from './create-worker';
import type { OperationName, Operations } from './property-operations';
import { WorkerClient } from './worker-client';

/** The heaviest question takes some seconds on a phone. */
const LONGEST_MS = 30_000;

/** The computation core, asked in its worker. The worker and its data are loaded when something is first asked. */
@Injectable({ providedIn: 'root' })
export class CoreWorker implements OnDestroy {
  /** The units need the server's data themselves: they are asked for when something was refused. */
  private readonly injector = inject(Injector);
  private readonly client = new WorkerClient<CoreApi>(createWorker, LONGEST_MS);

  /** One answer, or the core's sentence as an error, in the units of this device. Who stops listening gets nothing: the newest question wins by `switchMap`. */
  ask$<K extends OperationName>(name: K, args: Parameters<Operations[K]>[0]): Observable<ReturnType<Operations[K]>> {
    return this.client
      .ask$<CoreAnswer>(async (remote) => await remote.answer(name, args))
      .pipe(
        map((answer) => {
          if ('refused' in answer) throw new Error(sentenceText([...answer.refused], wordingIn(this.injector.get(Units))));
          return answer.value as ReturnType<Operations[K]>; // the worker runs the operation of that name
        }),
      );
  }

  ngOnDestroy(): void {
    this.client.end();
  }
}
