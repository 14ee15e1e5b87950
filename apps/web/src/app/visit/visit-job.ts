import { fromServer } from '../data/from-server';
import { computed, inject, Injectable, untracked } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { stagesOf } from '@hygromet/contract/visit-stages';
import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import type { Visit, VisitWithEvents } from '@hygromet/contract/visit';
import { stages, type Stage, type StageState } from '@hygromet/core/visit/stage';
import { nextStage } from '@hygromet/core/visit/stage-states';
import { catchError, concatMap, defer, distinctUntilChanged, EMPTY, exhaustMap, filter, finalize, interval, map, merge, retry, Subject, switchMap, tap, type Observable } from 'rxjs'; // prettier-ignore
import { mutation, type Mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { valueOf } from '../ui/loadable';

/** What a colleague adds appears after so long at most. */
const LOOK_AGAIN_MS = 5000;
/** Between two tries of what is added by itself. */
const AGAIN_MS = 4000;
const MOST_TRIES_COUNT = 100;

type OwnPart<E> = E extends unknown ? Omit<E, 'key' | 'happenedAt' | 'recordedBy'> : never;
/** What is added to a visit; who, when and its key are added on the way. */
export type Addition = OwnPart<NewVisitEvent>;

export type Said = Pick<NewVisitEvent, 'key' | 'happenedAt' | 'recordedBy'>;

/** One visit that is worked on: its record as the server has it, where each stage stands, and what is added to it. */
@Injectable()
export class VisitJob {
  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  private readonly route = inject(ActivatedRoute);
  readonly id = this.route.snapshot.paramMap.get('id') ?? '';

  readonly loaded = fromServer(this.fresh$());
  readonly visit = computed(() => valueOf(this.loaded()));
  readonly states = computed((): readonly StageState[] => {
    const visit = this.visit();
    return visit === undefined ? [] : stagesOf(visit);
  });
  /** The stage that is done next, whatever is looked at. */
  readonly next = computed(() => nextStage(this.states()));
  private readonly asked = toSignal(this.route.paramMap.pipe(map((params) => params.get('stage'))));
  /** An address without a stage is that of the stage that was next when it was opened: nobody is moved on while typing. */
  private readonly first = computed(() => (this.visit() === undefined ? undefined : untracked(this.next)), {
    equal: (before) => before !== undefined,
  });
  readonly here = computed((): Stage => stages.find((stage) => stage === this.asked()) ?? this.first() ?? 'look');
  readonly state = computed(() => this.states().find(({ stage }) => stage === this.here()));
  readonly open = computed(() => this.visit()?.state === 'open');

  /** Who says something, when, and the key that makes it one thing however often it is sent. */
  said(): Said {
    return { key: newKey(), happenedAt: new Date().toISOString(), recordedBy: this.preferences().person };
  }

  private readonly answered$ = new Subject<number>();
  /** The newest version of which this page knows all: what is shown, and what it has added to that itself. */
  private carried = 0;
  private readonly known = (): number => Math.max(this.carried, this.visit()?.version ?? 0);

  /** Adds an event. What is tried again later is sent as it was said first. */
  add$(addition: Addition, said = this.said()): Observable<Visit> {
    return this.serverData.addVisitEvent$(this.id, { ...addition, ...said }).pipe(
      tap(({ version }) => {
        this.carried = carriedOn(this.known(), version);
        this.answered$.next(version);
      }),
    );
  }

  /**
   * Adds what was decided on the visit as it is shown now, once what this page has still to add is there. A colleague's event that comes
   * between makes the version an old one, and is answered so.
   */
  addAfter$(sent$: Observable<unknown>, addition: (version: number) => Addition): Observable<Visit> {
    return defer(() => {
      let version = this.known();
      const following = this.answered$.subscribe((answered) => (version = carriedOn(version, answered)));
      return sent$.pipe(
        switchMap(() => this.add$(addition(version))),
        finalize(() => following.unsubscribe()),
      );
    });
  }

  /** Something a person adds by a button. Call it where things may be injected. */
  adding(done: (visit: Visit) => void = () => undefined): Mutation<Addition> {
    return mutation((addition: Addition) => this.add$(addition), done);
  }

  /**
   * What happens whether or not somebody waits for it: added one after the other, as it was said then, and again while the server cannot be
   * reached. Call it where things may be injected.
   */
  queue(): (addition: Addition, at?: string) => void {
    const said$ = new Subject<readonly [Addition, Said]>();
    said$
      .pipe(
        concatMap(([addition, said]) =>
          defer(() => this.add$(addition, said)).pipe(
            retry({ count: MOST_TRIES_COUNT, delay: AGAIN_MS }),
            catchError(() => EMPTY), // refused: what it belongs to has ended meanwhile
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe();
    return (addition, at) => said$.next([addition, { ...this.said(), ...(at === undefined ? {} : { happenedAt: at }) }]);
  }

  private fresh$(): Observable<VisitWithEvents> {
    const again$ = interval(LOOK_AGAIN_MS).pipe(
      filter(() => document.visibilityState === 'visible'),
      exhaustMap(() => this.serverData.readVisit$(this.id).pipe(catchError(() => EMPTY))), // what is there stays; the next look will tell
    );
    return merge(this.serverData.visit$(this.id), again$).pipe(
      distinctUntilChanged((one, other) => JSON.stringify(one) === JSON.stringify(other)),
    );
  }
}

/** An event that follows at once on what is known is this page's own. */
const carriedOn = (known: number, answered: number): number => (answered === known + 1 ? answered : known);
