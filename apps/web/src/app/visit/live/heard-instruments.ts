import { inject, Injectable } from '@angular/core';
import type { Instrument } from '@hygromet/contract/instrument';
import { catchError, exhaustMap, filter, interval, of, share, startWith } from 'rxjs';
import { ServerData } from '../../data/server-data.service';

const LOOK_EVERY_MS = 3000;
/** ms: what was not heard for so long is not there. */
const THERE_MS = 30_000;

/** Instruments that are heard just now, asked for once however many look, and only while somebody does. */
@Injectable({ providedIn: 'root' })
export class HeardInstruments {
  private readonly serverData = inject(ServerData);
  readonly heard$ = interval(LOOK_EVERY_MS).pipe(
    startWith(0), // at once, so that it goes together with what a page reads as it begins
    filter(() => document.visibilityState === 'visible'),
    exhaustMap(() => this.serverData.instruments$.pipe(catchError(() => of([] as readonly Instrument[])))),
    share(),
  );
}

/** What was heard lately enough to be there. */
export const isThere = ({ heardAt }: Instrument, now = Date.now()): boolean => now - Date.parse(heardAt) < THERE_MS;

/** Of those that read this quantity, the one that was heard last. */
export const lastOf = (instruments: readonly Instrument[], quantity: string): Instrument | undefined =>
  instruments
    .filter((instrument) => isThere(instrument) && instrument.last[quantity] !== undefined)
    .sort((a, b) => Date.parse(b.last[quantity]!.at) - Date.parse(a.last[quantity]!.at))[0];
