import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Observable } from 'rxjs';
import { loadable, waiting, type Loadable } from '../ui/loadable';
import { Connection } from './connection';

/** Reads from the server that are waited for, there, or failed; what failed is read again by itself. Call it where things may be injected. */
export function serverReader(): <T>(source$: Observable<T>) => Observable<Loadable<T>> {
  const connection = inject(Connection);
  return (source$) => loadable(source$, (error) => connection.again$(error));
}

/** What the server keeps, for a page. Call it where things may be injected. */
export const fromServer = <T>(source$: Observable<T>): Signal<Loadable<T>> => toSignal(serverReader()(source$), { initialValue: waiting });
