import { BehaviorSubject, defer, filter, finalize, merge, share, startWith, Subject, switchMap, take, tap, timer, ReplaySubject, type Observable } from 'rxjs'; // prettier-ignore

/** A read that takes longer than this is not waited for: the page tells that nothing answers. */
const WAITED_FOR_MS = 2000;

/**
 * Reads that several parts of a page share: each is asked once for all who look, anew when something of its kinds has changed, and let go
 * when nobody looks any more. A read that failed fails for all; who subscribes again reads again.
 */
export class SharedReads<Kind extends string> {
  private readonly changed$ = new Subject<readonly Kind[] | 'all'>();
  private readonly open = new Map<string, { readonly shared: Observable<unknown>; readonly kinds: readonly Kind[] }>();
  /** Keys of what has been asked and is not answered yet. */
  private readonly underWay$ = new BehaviorSubject<ReadonlySet<string>>(new Set());

  /** @param key tells one read from another; @param kinds what it depends on */
  of$<T>(key: string, kinds: readonly Kind[], read: () => Observable<T>): Observable<T> {
    return defer(() => {
      const open = this.open.get(key);
      if (open !== undefined) return open.shared as Observable<T>; // kept under its own key below
      const shared = this.changed$.pipe(
        filter((changed) => touches(changed, kinds)),
        startWith(undefined),
        tap(() => this.mark(key, true)),
        switchMap(read),
        tap({ next: () => this.mark(key, false), error: () => this.mark(key, false) }),
        finalize(() => {
          this.open.delete(key);
          this.mark(key, false);
        }),
        share({ connector: () => new ReplaySubject<T>(1) }),
      );
      this.open.set(key, { shared, kinds });
      return shared;
    });
  }

  /** Something of these kinds has changed. Emits once, when all that is looked at of it has been read anew, or cannot be. */
  changed(kinds: readonly Kind[] | 'all'): Observable<unknown> {
    const asked = [...this.open].flatMap(([key, open]) => (touches(kinds, open.kinds) ? [key] : []));
    this.changed$.next(kinds);
    return merge(this.underWay$.pipe(filter((now) => !asked.some((key) => now.has(key)))), timer(WAITED_FOR_MS)).pipe(take(1));
  }

  private mark(key: string, isUnderWay: boolean): void {
    if (this.underWay$.value.has(key) === isUnderWay) return;
    const keys = new Set(this.underWay$.value);
    if (isUnderWay) keys.add(key);
    else keys.delete(key);
    this.underWay$.next(keys);
  }
}

const touches = <Kind>(changed: readonly Kind[] | 'all', kinds: readonly Kind[]): boolean =>
  changed === 'all' || changed.some((kind) => kinds.includes(kind));
