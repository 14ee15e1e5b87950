import { inject, Injectable, type Type } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { stages, type Stage } from '@hygromet/core/visit/stage';
import { catchError, concatMap, defer, delay, EMPTY, filter, switchMap, take, tap, throwError, type Observable } from 'rxjs';
import { Connection } from '../data/connection';
import { StalePages } from '../shell/stale-pages';
import { afterPaint$ } from '../ui/after-paint';
import { loadable, waiting, type Loadable } from '../ui/loadable';
import { VisitJob } from './visit-job';

const said = () => import('./stages/said.stage').then((m) => m.SaidStage);

/** Each stage is a part of the program of its own: whoever looks at one does not wait for the others. */
const PARTS: Readonly<Record<Stage, () => Promise<Type<unknown>>>> = {
  look: () => import('./stages/look.stage').then((m) => m.LookStage),
  method: () => import('./stages/method.stage').then((m) => m.MethodStage),
  transfer: () => import('./stages/transfer.stage').then((m) => m.TransferStage),
  account: () => import('./stages/account.stage').then((m) => m.AccountStage),
  repair: said,
  prove: () => import('./stages/prove.stage').then((m) => m.ProveStage),
  recharge: () => import('./stages/recharge.stage').then((m) => m.RechargeStage),
  check: () => import('./stages/check.stage').then((m) => m.CheckStage),
  close: () => import('./stages/close.stage').then((m) => m.CloseStage),
};

const NOT_THERE = $localize`This stage did not come: there is no connection, or a newer version is there. Read it again; what you typed is kept.`;

/** ms: what is looked at first has the device for itself until then. */
const OTHERS_AFTER_MS = 2000;

/** The part of the program that the stage which is looked at is made of; the others follow, for a basement without network. */
@Injectable()
export class StageParts {
  private readonly stale = inject(StalePages);
  private readonly connection = inject(Connection);

  /** Which stage was touched is seen at once; it is drawn with the next frame, the first one together with the page. */
  readonly here = toSignal(
    toObservable(inject(VisitJob).here).pipe(
      switchMap((stage, index) => (index === 0 ? this.partOf$(stage) : afterPaint$.pipe(switchMap(() => this.partOf$(stage))))),
    ),
    { initialValue: waiting },
  );

  constructor() {
    toObservable(this.here)
      .pipe(
        filter(({ state }) => state === 'ready'),
        take(1),
        delay(OTHERS_AFTER_MS),
        // one after the other: the page stays free for whoever types meanwhile
        concatMap(() => stages),
        concatMap((stage) => defer(PARTS[stage]).pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** A browser asks for a part once: where that failed, only the page loaded anew brings it. */
  private partOf$(stage: Stage): Observable<Loadable<Type<unknown>>> {
    const part$ = defer(PARTS[stage]).pipe(catchError(() => throwError(() => new Error(NOT_THERE))));
    return loadable(part$, (error) => this.connection.again$(error).pipe(tap(() => this.stale.reload())));
  }
}
