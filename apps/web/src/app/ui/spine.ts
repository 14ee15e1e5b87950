import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** The stages of the work, joined by valves: filled is passed, black is here, outline is ahead. */
@Component({
  selector: 'hy-spine',
  template: `
    <ol>
      @for (stage of stages(); track stage; let i = $index) {
        <li [class.passed]="i < at()" [class.here]="i === at()" [attr.aria-current]="i === at() ? 'step' : null">
          <svg viewBox="0 0 24 18" width="24" height="18" aria-hidden="true"><path d="M2 2l20 14V2L2 16z" /></svg>
          <span>{{ stage }}</span>
        </li>
      }
    </ol>
    <p i18n class="narrow">{{ at() + 1 }} of {{ stages().length }}, {{ stages()[at()] }}</p>
  `,
  styles: `
    ol {
      display: flex;
    }

    li {
      position: relative;
      width: 92px;
      color: var(--ink-2);
      font-size: 13.5px;
      font-weight: 600;
      text-align: center;
    }

    li + li::before {
      content: '';
      position: absolute;
      top: 8px;
      left: -33px;
      width: 66px;
      border-top: 2px solid var(--line-strong);
    }

    li.passed + li::before {
      border-top: 3.5px solid var(--act);
    }

    svg {
      display: block;
      margin: 0 auto 4px;
      fill: none;
      stroke: var(--line-strong);
      stroke-width: 1.8;
      stroke-linejoin: round;
    }

    .passed svg {
      fill: var(--act);
      stroke: var(--act);
    }

    .here {
      color: var(--ink);
      font-weight: 700;
    }

    .here svg {
      fill: var(--ink);
      stroke: var(--ink);
    }

    .narrow {
      display: none;
      color: var(--ink-2);
      font-size: 14px;
    }

    @media (max-width: 599px) {
      li:not(.here) span {
        display: none;
      }

      li {
        width: 40px;
      }

      li.here span {
        display: none;
      }

      li + li::before {
        left: -10px;
        width: 20px;
      }

      :host {
        display: flex;
        gap: 12px;
        align-items: center;
      }

      .narrow {
        display: block;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Spine {
  readonly stages = input.required<readonly string[]>();
  readonly current = input.required<string>();
  protected readonly at = computed(() => this.stages().indexOf(this.current()));
}
