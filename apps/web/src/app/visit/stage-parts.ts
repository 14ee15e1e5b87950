import { DestroyRef, inject, Injectable, type Type } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { stages, type Stage } from '@hygromet/core/visit/stage';
import { defer, switchMap, tap } from 'rxjs';
import { serverReader } from '../data/from-server';
import { StalePages } from '../shell/stale-pages';
import { waiting } from '../ui/loadable';
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

/** ms: what is looked at first has the device for itself until then. */
const OTHERS_AFTER_MS = 2000;

/** The part of the program that the stage which is looked at is made of; the others follow, for a basement without network. */
@Injectable()
export class StageParts {
  private readonly stale = inject(StalePages);
  private readonly router = inject(Router);
  private readonly read = serverReader();

  readonly here = toSignal(
    toObservable(inject(VisitJob).here).pipe(
      switchMap((stage) =>
        this.read(defer(PARTS[stage]).pipe(tap({ error: (error: unknown) => this.stale.failed({ error, url: this.router.url }) }))),
      ),
    ),
    { initialValue: waiting },
  );

  constructor() {
    const timer = setTimeout(() => stages.forEach((stage) => void PARTS[stage]().catch(() => undefined)), OTHERS_AFTER_MS);
    inject(DestroyRef).onDestroy(() => clearTimeout(timer));
  }
}
