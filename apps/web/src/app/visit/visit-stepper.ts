import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Stage, StageState } from '@hygromet/core/visit/stage';
import { stageNames, stateText } from './stage-labels';

/**
 * The stages of a visit, joined by valves: filled is done, black is here, outline is ahead, dashed is not needed, red is in trouble. On a
 * phone it shrinks to the stage that is here, with its neighbors.
 */
@Component({
  selector: 'hy-visit-stepper',
  imports: [RouterLink],
  template: `
    <nav aria-label="Stages" i18n-aria-label>
      <ol>
        @for (entry of states(); track entry.stage; let i = $index) {
          <li [class]="entry.state" [class.here]="entry.stage === here()" [class.far]="far(i)">
            <a
              [routerLink]="['/visits', visit(), entry.stage]"
              [attr.aria-current]="entry.stage === here() ? 'step' : null"
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
  private readonly at = computed(() => this.states().findIndex(({ stage }) => stage === this.here()));
  protected readonly names = stageNames;
  protected readonly words = stateText;
  /** Neither here nor beside it: hidden where there is little room. */
  protected far(index: number): boolean {
    const first = Math.min(Math.max(this.at() - 1, 0), this.states().length - 3);
    return index < first || index > first + 2;
  }
}
