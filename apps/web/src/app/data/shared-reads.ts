import { defer, filter, finalize, share, startWith, Subject, switchMap, ReplaySubject, type Observable } from 'rxjs';

/**
 * Reads that several parts of a page share: each is asked once for all who look, anew when something of its kinds has changed, and let go
 * when nobody looks any more. A read that failed fails for all; who subscribes again reads again.
 */
export class SharedReads<Kind extends string> {
  private readonly changed$ = new Subject<readonly Kind[] | 'all'>();
  private readonly open = new Map<string, Observable<unknown>>();

  /** @param key tells one read from another; @param kinds what it depends on */
  of$<T>(key: string, kinds: readonly Kind[], read: () => Observable<T>): Observable<T> {
    return defer(() => {
      const open = this.open.get(key) as Observable<T> | undefined; // kept under its own key below
      if (open !== undefined) return open;
      const shared = this.changed$.pipe(
        filter((changed) => changed === 'all' || changed.some((kind) => kinds.includes(kind))),
        startWith(undefined),
        switchMap(read),
        finalize(() => this.open.delete(key)),
        share({ connector: () => new ReplaySubject<T>(1) }),
      );
      this.open.set(key, shared);
      return shared;
    });
  }

  /** Something of these kinds has changed. */
  changed(kinds: readonly Kind[] | 'all'): void {
    this.changed$.next(kinds);
  }
}
