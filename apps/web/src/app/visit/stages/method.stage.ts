import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { VisitPlan } from '@hygromet/contract/visit-plan';
import { stagesOf } from '@hygromet/contract/visit-stages';
import { nextStage } from '@hygromet/core/visit/stage-states';
import equal from 'fast-deep-equal/es6';
import { catchError, concatMap, EMPTY, Subject, tap } from 'rxjs';
import { errorIn, mutation } from '../../data/mutation';
import { ApiError } from '../../data/api-error';
import { MethodDecision } from '../../method/method-decision';
import { LookSource } from '../../method/look-source';
import { MethodSession } from '../../method/method.session';
import { methodNames } from '../../method/method-labels';
import { StepList } from '../../method/step-list';
import { valueOf } from '../../ui/loadable';
import { VisitJob } from '../visit-job';
import { Computing } from '../../ui/computing';

/** The verdict, its reasons, and the steps of what was chosen; it is saved with what it rests on. */
@Component({
  selector: 'hy-method-stage',
  imports: [Computing, MethodDecision, RouterLink, StepList],
  template: `
    <fieldset [disabled]="!job.open()">
      <hy-method-decision>
        @if (job.open()) {
          <div class="actions">
            @if (first()) {
              <a i18n class="button main" [routerLink]="['/visits', job.id, 'look']">Record what you find</a>
            }
            @if (plan()?.method; as method) {
              <button
                type="button"
                class="button"
                [class.main]="!first()"
                [disabled]="saving.state().state === 'busy' || session.decided() === undefined || saved()"
                (click)="save()"
              >
                @if (saved()) {
                  <ng-container i18n>Saved</ng-container>
                } @else {
                  <ng-container i18n>Save: {{ lower(names[method]) }}</ng-container>
                }
              </button>
            }
            <p class="second" role="status">{{ savedText() }}</p>
            @if (refused(); as sentence) {
              <p role="alert" class="over">{{ sentence }}</p>
            }
          </div>
        }
      </hy-method-decision>
    </fieldset>
    @if (plan(); as p) {
      @if (p.method !== undefined) {
        <section class="steps" aria-label="Steps" i18n-aria-label [hyComputing]="session.plan()">
          <h3>
            <ng-container i18n>Steps </ng-container
            ><button i18n type="button" class="button plain print" (click)="print()">Print circuit and steps</button>
          </h3>
          <p i18n class="second">Touch a step to see the circuit once it is done.</p>
          <hy-step-list
            [steps]="p.steps"
            [(touched)]="session.step"
            [drawn]="session.drawnStep()"
            [readings]="session.draft().readings"
            [kept]="kept()"
            (noted)="note($event)"
            (complete)="read($event)"
          />
          @if (readingRefused(); as sentence) {
            <p role="alert" class="over">{{ sentence }}</p>
          }
        </section>
      }
    }
  `,
  styleUrl: './stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MethodStage {
  protected readonly session = inject(MethodSession);
  protected readonly job = inject(VisitJob);
  private readonly look = inject(LookSource);
  private readonly router = inject(Router);
  protected readonly names = methodNames;
  protected readonly plan = computed(() => valueOf(this.session.plan()));
  /** Something is worth seeing before it is decided. */
  protected readonly first = computed(() => this.plan()?.decision.next !== undefined && this.session.draft().method === null);
  /** The last reading of each step that the visit has. */
  protected readonly kept = computed(() => new Map((this.job.visit()?.readings ?? []).map((reading) => [reading.step, reading])));
  /** With what was chosen a moment ago: that is a part of what it rests on. */
  protected readonly saving = mutation(
    (plan: VisitPlan) => this.job.addAfter$(this.look.sent$(), (version) => ({ kind: 'planned', version, plan })),
    (visit) => {
      const next = nextStage(stagesOf(visit));
      if (next !== 'method') void this.router.navigate(['/visits', this.job.id, next]);
    },
  );
  protected readonly refused = computed(() => errorIn(this.saving.state(), '/plan/why') ?? errorIn(this.saving.state()));
  /** Whether what is saved is what stands here, with all that it rests on. */
  protected readonly saved = computed(() => equal(this.job.visit()?.plan, this.session.decided()));
  protected readonly savedText = computed(() => {
    const plan = this.job.visit()?.plan;
    return plan == null || this.saved() ? '' : $localize`Saved until now: ${methodNames[plan.method]}.`;
  });
  protected lower = (name: string): string => `${name[0]?.toLowerCase() ?? ''}${name.slice(1)}`;
  protected print = (): void => window.print();

  private readonly readings$ = new Subject<{ readonly step: string; readonly text: string }>();
  /** Why the last reading could not be saved; it stays on the device. */
  protected readonly readingRefused = signal<string | undefined>(undefined);

  constructor() {
    // one after the other: what is read quickly at two steps is saved twice
    this.readings$
      .pipe(
        concatMap((reading) =>
          this.job.add$({ kind: 'read', ...reading }).pipe(
            tap(() => this.readingRefused.set(undefined)),
            catchError((error: unknown) => {
              this.readingRefused.set(error instanceof ApiError ? error.message : $localize`This reading is not saved yet.`);
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  protected save(): void {
    const plan = this.session.decided();
    if (plan !== undefined && this.job.visit() !== undefined) this.saving.send(plan);
  }

  protected note({ code, text }: { code: string; text: string }): void {
    this.session.change({ readings: { ...this.session.draft().readings, [code]: text } });
  }

  /** What was read at a step: on the device as it is typed, with the visit once it is complete. */
  protected read({ code, text }: { code: string; text: string }): void {
    const words = text.trim();
    if (words === '' || this.kept().get(code)?.text === words) return;
    this.readings$.next({ step: code, text: words });
  }
}
