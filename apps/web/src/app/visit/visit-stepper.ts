import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, ErrorHandler, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import type { Stage, StageState } from '@hygromet/core/visit/stage';
import { catchError, defer, of, Subject, switchMap, type Observable } from 'rxjs';
import { afterPaint$ } from '../ui/after-paint';
import { stageNames, stateText } from './stage-labels';

/**
 * The stages of a visit, joined by valves: filled is done, black is here, outline is ahead, dashed is not needed, red is in trouble. On a
 * phone it shrinks to the stage that is here, with its neighbors. The one that is touched is marked at once; the way there begins when that
 * was painted.
 */
@Component({
  selector: 'hy-visit-stepper',
  template: `
    <nav aria-label="Stages" i18n-aria-label>
      <ol>
        @for (entry of states(); track entry.stage; let i = $index) {
          <li [class]="entry.state" [class.here]="entry.stage === shown()" [class.far]="far(i)">
            <a
              [href]="location.prepareExternalUrl(pathTo(entry.stage))"
              (click)="touch($event, entry.stage)"
              [attr.aria-current]="entry.stage === shown() ? 'step' : null"
              [attr.aria-label]="names[entry.stage] + ', ' + words(entry)"
              [title]="words(entry)"
            >
              <svg viewBox="0 0 24 18" width="24" height="18" aria-hidden="true"><path d="M2 2l20 14V2L2 16z" /></svg>
              <span>{{ names[entry.stage] }}</span>
            </a>
          </li>
        }
      </ol>
    </nav>
  `,
  styleUrl: './visit-stepper.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitStepper {
  readonly visit = input.required<string>();
  readonly states = input.required<readonly StageState[]>();
  readonly here = input.required<Stage>();
  private readonly router = inject(Router);
  protected readonly location = inject(Location);
  private readonly errors = inject(ErrorHandler);
  private readonly touched$ = new Subject<Stage>();
  /** The stage that was touched, while the page is on its way there. */
  private readonly touched = signal<Stage | undefined>(undefined);
  protected readonly shown = computed(() => this.touched() ?? this.here());
  private readonly at = computed(() => this.states().findIndex(({ stage }) => stage === this.shown()));
  protected readonly names = stageNames;
  protected readonly words = stateText;
  protected pathTo = (stage: Stage): string => `/visits/${this.visit()}/${stage}`;

  constructor() {
    this.touched$
      .pipe(
        switchMap((stage) => afterPaint$.pipe(switchMap(() => this.goTo$(stage)))),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe(() => this.touched.set(undefined));
  }

  /** Also a way that leads nowhere ends: then the stage that is here is marked again. */
  private goTo$(stage: Stage): Observable<boolean> {
    return defer(() => this.router.navigateByUrl(this.pathTo(stage))).pipe(
      catchError((error: unknown) => {
        this.errors.handleError(error);
        return of(false);
      }),
    );
  }

  /** Another tab or window is the browser's own matter. */
  protected touch(click: MouseEvent, stage: Stage): void {
    if (click.button !== 0 || click.ctrlKey || click.metaKey || click.shiftKey || click.altKey) return;
    click.preventDefault();
    this.touched.set(stage);
    this.touched$.next(stage);
  }

  /** Neither here nor beside it: hidden where there is little room. */
  protected far(index: number): boolean {
    const first = Math.min(Math.max(this.at() - 1, 0), this.states().length - 3);
    return index < first || index > first + 2;
  }
}
