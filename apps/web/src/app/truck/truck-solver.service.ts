import { Injectable, signal, type OnDestroy } from '@angular/core';
import type { SolvedTruck } from '@hygromet/core/planning/solve-truck';
import type { TruckGoal, TruckTask } from '@hygromet/core/planning/truck';
import { proxy } from 'comlink';
import { defer, finalize, type Observable } from 'rxjs';
import { WorkerClient } from '../core-worker/worker-client';
import { createTruckWorker } from './create-truck-worker';
import type { TruckApi } from './truck-api';

/** Longer than the solver takes for all its goals, with the time to load it. */
const LONGEST_MS = 60_000;

/** The solver in its worker, loaded when a truck is first planned. */
@Injectable({ providedIn: 'root' })
export class TruckSolver implements OnDestroy {
  private readonly client = new WorkerClient<TruckApi>(createTruckWorker, LONGEST_MS);
  private readonly deciding = signal<TruckGoal | undefined>(undefined);
  /** Which goal is decided now; nothing while nothing is planned. */
  readonly goal = this.deciding.asReadonly();

  solve$(task: TruckTask): Observable<SolvedTruck> {
    return defer(() => {
      let wanted = true; // the worker goes on with what nobody waits for any more
      const begun = proxy((goal: TruckGoal) => {
        if (wanted) this.deciding.set(goal);
      });
      return this.client
        .ask$((remote) => remote.solve(task, begun))
        .pipe(
          finalize(() => {
            wanted = false;
            this.deciding.set(undefined);
          }),
        );
    });
  }

  /** Stops what is planned; the next question starts anew. */
  cancel(): void {
    this.client.end($localize`Planning was stopped.`);
  }

  ngOnDestroy(): void {
    this.client.end();
  }
}
