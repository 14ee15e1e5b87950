import { untracked, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { map, Observable, of, switchMap } from 'rxjs';

/** ms: a page that is not seen is not painted, and goes on all the same. */
const UNSEEN_MS = 200;

/** Emits once, when what is on the page by now has been painted. */
export const afterPaint$ = new Observable<void>((subscriber) => {
  const done = () => {
    subscriber.next();
    subscriber.complete();
  };
  let task: ReturnType<typeof setTimeout> | undefined;
  // the frame's own callbacks come before its paint, a task of its own after it
  const frame = requestAnimationFrame(() => (task = setTimeout(done)));
  const unseen = setTimeout(done, UNSEEN_MS);
  return () => {
    cancelAnimationFrame(frame);
    clearTimeout(task);
    clearTimeout(unseen);
  };
});

/**
 * True one paint later than its source, false together with it: whoever touched a key sees at once that it was touched, and what takes long to
 * draw comes with the next frame.
 */
export const oncePainted = (source: () => boolean): Signal<boolean> =>
  toSignal(toObservable(source as Signal<boolean>).pipe(switchMap((now) => (now ? afterPaint$.pipe(map(() => true)) : of(false)))), {
    initialValue: false,
  });

/** What a source says, one paint later when it changes: a mark moves at once, and what it is about is drawn with the next frame. */
export const afterItsPaint = <T>(source: Signal<T>): Signal<T> =>
  toSignal(toObservable(source).pipe(switchMap((now, index) => (index === 0 ? of(now) : afterPaint$.pipe(map(() => now))))), {
    initialValue: untracked(source),
  });
