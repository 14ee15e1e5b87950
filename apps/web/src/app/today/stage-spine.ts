import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { StageState } from '@hygromet/core/visit/stage';
import { nextStage } from '@hygromet/core/visit/stage-states';
import { stageNames, stateText } from '../visit/stage-labels';

/** Width of one valve and the pipe after it. */
const STEP_PX = 24;

/** The stages of a visit as a row of small valves: filled is done, black is next, outline is ahead, dashed is not needed, red is in trouble. */
@Component({
  selector: 'hy-stage-spine',
  template: `
    <svg role="img" [attr.aria-label]="told()" [attr.viewBox]="'0 0 ' + width() + ' 16'" [attr.width]="width()" height="16">
      @for (entry of states(); track entry.stage; let i = $index, last = $last) {
        @if (!last) {
          <path class="pipe" [class.done]="entry.state === 'done'" [attr.d]="'M' + (i * step + 15) + ' 8h10'" />
        }
        <path [class]="entry.state" [class.next]="entry.stage === next()" [attr.d]="'M' + (i * step + 2) + ' 3l13 10V3l-13 10z'" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      line-height: 0;
    }

    svg {
      max-width: 100%;
    }

    path {
      fill: none;
      stroke: var(--line-strong);
      stroke-linejoin: round;
      stroke-width: 1.4;
    }

    .pipe.done {
      stroke: var(--act);
      stroke-width: 2.6;
    }

    .done:not(.pipe) {
      fill: var(--act);
      stroke: var(--act);
    }

    .next {
      fill: var(--ink);
      stroke: var(--ink);
    }

    .not-needed {
      stroke-dasharray: 2 1.6;
    }

    .trouble {
      fill: var(--danger);
      stroke: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StageSpine {
  readonly states = input.required<readonly StageState[]>();
  protected readonly step = STEP_PX;
  protected readonly width = computed(() => this.states().length * STEP_PX - 7);
  protected readonly next = computed(() => nextStage(this.states()));
  protected readonly told = computed(() =>
    this.states()
      .map((state) => `${stageNames[state.stage]} ${stateText(state)}`)
      .join('; '),
  );
}
