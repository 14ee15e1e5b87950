import { computed, Injectable, signal } from '@angular/core';
import { defer, finalize, type Observable } from 'rxjs';

/** A person who waits for so long is told that nothing answers; the request goes on. */
const TOLD_AFTER_MS = 4000;

/** Whether the server answers: what is under way, and for how long. */
@Injectable({ providedIn: 'root' })
export class Connection {
  private readonly late = signal(0);
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
}
