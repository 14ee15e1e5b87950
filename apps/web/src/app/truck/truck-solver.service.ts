import { Injectable, type OnDestroy } from '@angular/core';
import type { TruckPlan, TruckTask } from '@hygromet/core/planning/truck';
import { filter, fromEvent, map, Observable, share, take } from 'rxjs';
import { createTruckWorker } from './create-truck-worker';
import type { TruckAnswer } from './truck-messages';

/** A plan, and whether it is proved that none is better. */
export interface SolvedTruck {
  readonly plan: TruckPlan;
  readonly proved: boolean;
}

/** The solver in its worker, loaded when a truck is first planned. */
@Injectable({ providedIn: 'root' })
export class TruckSolver implements OnDestroy {
  private worker: Worker | undefined;
  private answers$: Observable<TruckAnswer> | undefined;
  private lastId = 0;

  solve$(task: TruckTask): Observable<SolvedTruck> {
    return new Observable((subscriber) => {
      this.worker ??= createTruckWorker();
      this.answers$ ??= fromEvent<MessageEvent<TruckAnswer>>(this.worker, 'message').pipe(
        map(({ data }) => data),
        share(),
      );
      const id = ++this.lastId;
      const subscription = this.answers$
        .pipe(
          filter((answer) => answer.id === id),
          take(1),
          map((answer) => {
            if (answer.state === 'failed') throw new Error(answer.message);
            return { plan: answer.plan, proved: answer.proved };
          }),
        )
        .subscribe(subscriber);
      this.worker.postMessage({ id, task });
      return subscription;
    });
  }

  ngOnDestroy(): void {
    this.worker?.terminate();
  }
}
