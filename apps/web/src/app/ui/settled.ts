import { linkedSignal, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map, timer } from 'rxjs';

/** ms: whoever would wait longer sees what is there by then. */
const MOST_WAIT_MS = 1500;

/**
 * Whether a page that is read in pieces may be shown: once all of them are there, and from then on always. Shown piece by piece, whatever
 * stands below a piece would be pushed away from under the finger.
 */
export function settledOnce(there: () => boolean): Signal<boolean> {
  const waited = toSignal(timer(MOST_WAIT_MS).pipe(map(() => true)), { initialValue: false });
  return linkedSignal<boolean, boolean>({
    source: () => there() || waited(),
    computation: (now, before) => now || (before?.value ?? false),
  }).asReadonly();
}
