import { computed, Injectable, signal } from '@angular/core';
import { defer, filter, finalize, fromEvent, merge, NEVER, Subject, timer, type Observable } from 'rxjs';
import { ApiError } from './api-error';

/** A person who waits for so long is told that nothing answers; the request goes on. */
const TOLD_AFTER_MS = 4000;

/** While the server does not answer, what failed is read again this often. */
const AGAIN_AFTER_MS = 5000;

/** Nothing was decided: the same question may be answered a little later. */
const isOutage = (error: unknown): boolean => error instanceof ApiError && (error.code === 'offline' || error.code === 'unavailable');

/** Whether the server answers: what is under way, for how long, and when what failed is worth another try. */
@Injectable({ providedIn: 'root' })
export class Connection {
  private readonly late = signal(0);
  private readonly askedAgain$ = new Subject<void>();
  /** Something has been asked for a while, and there is no answer yet. */
  readonly silent = computed(() => this.late() > 0);

  /** The same request, watched. */
  watched<T>(request: Observable<T>): Observable<T> {
    return defer(() => {
      let isLate = false;
      const timer = setTimeout(() => {
        isLate = true;
        this.late.update((count) => count + 1);
      }, TOLD_AFTER_MS);
      return request.pipe(
        finalize(() => {
          clearTimeout(timer);
          if (isLate) this.late.update((count) => count - 1);
        }),
      );
    });
  }

  /** When a read that failed so may be tried again: when a person asks, and after an outage also by itself. */
  again$(error: unknown): Observable<unknown> {
    const byItself$ = isOutage(error)
      ? merge(
          timer(AGAIN_AFTER_MS),
          fromEvent(window, 'online'),
          fromEvent(document, 'visibilitychange').pipe(filter(() => document.visibilityState === 'visible')),
        )
      : NEVER;
    return merge(this.askedAgain$, byItself$);
  }

  /** A person wants what failed to be read again. */
  tryAgain(): void {
    this.askedAgain$.next();
  }
}
