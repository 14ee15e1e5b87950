import { ranShareOf } from '@hygromet/contract/ran-share';
import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import equal from 'fast-deep-equal/es6';
import { catchError, concatMap, debounceTime, defer, EMPTY, endWith, ignoreElements, map, merge, Subject, tap, type Observable } from 'rxjs'; // prettier-ignore
import { Drafts } from '../data/draft.service';
import { ApiError } from '../data/api-error';
import { lookOf, newKeptLook, newLookDraft, type KeptLook, type LookDraft } from '../method/look-draft';
import { LookSource, SYSTEM_ID } from '../method/look-source';
import { PreferencesService } from '../preferences/preferences.service';
import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';
import { VisitJob, type Said } from './visit-job';

/** What stays on this device: readings on their way, and which facts were looked at. */
type OnDevice = Pick<LookDraft, 'readings' | 'seenVersion'>;
/** What is saved with the visit. */
type Saved = Omit<LookDraft, 'readings' | 'seenVersion' | 'visit'>;

interface Pending extends OnDevice {
  /** What was changed here and is not with the visit yet. */
  readonly changes: Partial<Saved>;
}

/** A person types a number; it is saved when the fingers rest. */
const REST_MS = 600;
const TRY_AGAIN_MS = 4000;
/** What passes by itself. */
const PASSES: readonly string[] = ['offline', 'unavailable'];

/** A look that belongs to a visit: each change is saved as it is made, and what others have changed appears here. */
@Injectable()
export class VisitLook implements LookSource {
  private readonly job = inject(VisitJob);
  private readonly preferences = inject(PreferencesService).current;
  private readonly drafts = inject(Drafts);
  private readonly stored = this.drafts.open<Pending>(`visit.${this.job.id}`, () => ({ changes: {}, readings: {}, seenVersion: null }));
  private readonly changed$ = new Subject<void>();
  private readonly atOnce$ = new Subject<Subject<void>>();
  readonly unsaved = signal<string | undefined>(undefined);
  readonly ranShare = computed(() => {
    const visit = this.job.visit();
    return visit === undefined ? undefined : ranShareOf(visit);
  });

  /** What is saved, while the visit that is shown does not have it yet: it stays where it was typed. */
  private readonly saved = signal<{ readonly look: Partial<Saved>; readonly version: number }>({ look: {}, version: 0 });
  private readonly savedAhead = (): Partial<Saved> => ((this.job.visit()?.version ?? 0) < this.saved().version ? this.saved().look : {});

  readonly draft = computed((): LookDraft => {
    const { changes, readings, seenVersion } = this.stored.value();
    const { ambient, standing, short, ...look } = this.job.visit()?.look ?? {};
    return {
      ...newLookDraft(this.preferences()),
      ...(look as Partial<Saved>), // saved from this draft
      ...(ambient === undefined ? {} : { ambient: asEntry(ambient) }),
      ...(standing === undefined ? {} : { standing: asEntry(standing) }),
      ...(short === undefined ? {} : { short: asEntry(short) }),
      ...this.savedAhead(),
      ...changes,
      readings,
      seenVersion,
      visit: this.job.id,
    };
  });

  constructor() {
    const before = this.job.open() ? this.seenBefore() : {};
    this.stored.value.update((pending) => ({ ...pending, changes: { ...before, ...pending.changes } }));
    const rested$ = this.changed$.pipe(
      debounceTime(REST_MS),
      map(() => undefined),
    );
    merge(rested$, this.atOnce$)
      .pipe(
        concatMap((asker) =>
          this.send$().pipe(
            tap({ error: (error) => asker?.error(error), complete: () => asker?.complete() }),
            catchError((error: unknown) => this.notSaved$(error)),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe();
    // what an earlier page could not save
    effect(() => {
      if (this.job.open() && Object.keys(this.stored.value().changes).length > 0) this.changed$.next();
    });
  }

  change(part: Partial<LookDraft>): void {
    const { readings, seenVersion, visit: _visit, ...changes } = part;
    this.stored.value.update((before) => ({
      changes: { ...before.changes, ...changes },
      readings: readings ?? before.readings,
      seenVersion: seenVersion === undefined ? before.seenVersion : seenVersion,
    }));
  }

  sent$(): Observable<void> {
    return defer(() => {
      const asker = new Subject<void>();
      this.atOnce$.next(asker);
      return asker.pipe(ignoreElements(), endWith(undefined));
    });
  }

  /** What was sent last and has no answer: sent again as it is, it is the same event. */
  private unanswered: { readonly look: Partial<Saved>; readonly said: Said } | undefined;

  private send$(): Observable<void> {
    const look = this.stored.value().changes;
    if (Object.keys(look).length === 0 || !this.job.open()) return EMPTY;
    const { said } = (this.unanswered = equal(this.unanswered?.look, look) ? this.unanswered! : { look, said: this.job.said() });
    return this.job.add$({ kind: 'looked', look: look }, said).pipe(
      map(({ version }) => {
        this.unanswered = undefined;
        this.unsaved.set(undefined);
        this.saved.set({ look: { ...this.savedAhead(), ...look }, version });
        this.stored.value.update((before) => ({ ...before, changes: withoutSent(before.changes, look) }));
      }),
    );
  }

  private notSaved$(error: unknown): Observable<never> {
    this.unsaved.set(error instanceof ApiError ? error.message : $localize`What was seen is not saved yet.`);
    // what is refused stays refused until something of it is changed
    if (error instanceof ApiError && PASSES.includes(error.code)) setTimeout(() => this.changed$.next(), TRY_AGAIN_MS);
    return EMPTY;
  }

  /** What was typed at this system before the visit was opened belongs to it, and to no later one. */
  private seenBefore(): Partial<Saved> {
    const kept = this.drafts.take<KeptLook>(`look.${inject(SYSTEM_ID)}`, () => newKeptLook(this.preferences()));
    const before = kept === undefined ? undefined : lookOf(kept);
    if (before === undefined || (before.visit !== null && before.visit !== this.job.id)) return {};
    const usual = newLookDraft(this.preferences());
    const { readings: _readings, seenVersion: _seen, visit: _visit, ...look } = before;
    const differs = Object.entries(look).filter(
      ([name, value]) => JSON.stringify(value) !== JSON.stringify(usual[name as keyof LookDraft]),
    );
    return Object.fromEntries(differs);
  }
}

/** What was changed again while it was on its way is still to be sent. */
const withoutSent = (changes: Partial<Saved>, sent: Partial<Saved>): Partial<Saved> =>
  Object.fromEntries(Object.entries(changes).filter(([name, value]) => sent[name as keyof Saved] !== value));

const asEntry = ({ text, unit, ounces }: { text: string; unit: string; ounces?: string | undefined }): QuantityEntry => ({
  ...emptyEntry(unit),
  text,
  ounces: ounces ?? '',
});
