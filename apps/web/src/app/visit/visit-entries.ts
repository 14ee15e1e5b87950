import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap } from 'rxjs';
import { serverReader } from '../data/from-server';
import { ServerData } from '../data/server-data.service';
import { valueOf, waiting } from '../ui/loadable';
import { VisitJob } from './visit-job';

const ENTRIES_COUNT = 200;

/** The entries of the system that is visited, and those of them that were logged on this visit and stand. */
@Injectable()
export class VisitEntries {
  private readonly job = inject(VisitJob);
  private readonly serverData = inject(ServerData);
  private readonly read$ = serverReader();
  readonly system = computed(() => this.job.visit()?.system.id);
  /** What was charged or recovered is known once it is read: nothing read is not nothing done. */
  readonly loaded = toSignal(
    toObservable(this.system).pipe(
      switchMap((account) => (account === undefined ? of(waiting) : this.read$(this.serverData.movements$(ENTRIES_COUNT, { account })))),
    ),
    { initialValue: waiting },
  );
  /** Newest first; what was taken back is not among them. */
  private readonly standing = computed(() =>
    (valueOf(this.loaded()) ?? []).filter(({ reversedBy, reverses }) => reversedBy === null && reverses === null),
  );
  readonly ofVisit = computed(() => this.standing().filter(({ visit }) => visit === this.job.id));
  /** What was weighed out of the system on this visit. */
  readonly recovered = computed(() => this.ofVisit().filter(({ from, known }) => from.id === this.system() && known === 'weighed'));
  readonly charged = computed(() => this.ofVisit().filter(({ to, known }) => to.id === this.system() && known === 'weighed'));
  /** What went into the system last, before this visit. */
  readonly lastIn = computed(() => this.standing().find(({ to, visit }) => to.id === this.system() && visit !== this.job.id));
}
