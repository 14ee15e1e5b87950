import { wrap, type Remote } from 'comlink';
import { defer, from, merge, Observable, Subject, take, throwError, timeout } from 'rxjs';

interface Running<Api> {
  readonly worker: Worker;
  readonly remote: Remote<Api>;
  /** Fails when the worker breaks or is ended. */
  readonly broken$: Subject<never>;
}

const BROKEN = $localize`The computation broke off. Change something, and it is computed again.`;

/**
 * One worker and the questions to it. It is started with the first question. A worker that breaks, or answers later than anybody waits, is
 * ended: who asked is told, and the next question starts another.
 */
export class WorkerClient<Api> {
  private running: Running<Api> | undefined;

  /** @param longestMs how long an answer may take, ms */
  constructor(
    private readonly create: () => Worker,
    private readonly longestMs: number,
  ) {}

  /** One answer, or the worker's sentence as an error. Who stops listening gets nothing. */
  ask$<R>(question: (remote: Remote<Api>) => Promise<R>): Observable<R> {
    return defer(() => {
      const { remote, broken$, worker } = (this.running ??= this.start());
      return merge(broken$, from(question(remote))).pipe(
        take(1),
        timeout({
          first: this.longestMs,
          with: () => {
            if (this.running?.worker === worker) this.end();
            return throwError(() => new Error(BROKEN));
          },
        }),
      );
    });
  }

  /** Ends the worker and whatever it computes; all who wait for it are told with this sentence. */
  end(sentence = BROKEN): void {
    const ended = this.running;
    this.running = undefined;
    ended?.worker.terminate();
    ended?.broken$.error(new Error(sentence));
  }

  private start(): Running<Api> {
    const worker = this.create();
    const broken$ = new Subject<never>();
    for (const event of ['error', 'messageerror'])
      worker.addEventListener(event, () => {
        if (this.running?.worker === worker) this.end();
      });
    return { worker, remote: wrap<Api>(worker), broken$ };
  }
}
