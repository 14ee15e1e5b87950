import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** The one number that rules a page: what it is above it, its unit beside it, what goes with it at its right. */
@Component({
  selector: 'hy-big-number',
  template: `
    <p class="what">{{ computing() ? words.computing : what() }}</p>
    <div class="line">
      <p class="ruling" [class.quiet]="quiet()" [class.computing]="computing()" [attr.aria-busy]="computing() || null">
        <span class="digits">{{ number() }}</span>&ngsp;<span class="unit">{{ unit() }}</span>
      </p>
      <div class="beside"><ng-content /></div>
    </div>
  `,
  styles: `
    .what {
      color: var(--ink-2);
    }

    .line {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      column-gap: 28px;
    }

    .ruling {
      white-space: nowrap;
    }

    .quiet {
      color: var(--ink-2);
    }

    .digits {
      font-size: 112px;
      font-weight: 700;
      font-variant-numeric: proportional-nums;
      letter-spacing: -0.03em;
      line-height: 0.95;
    }

    .quiet .digits {
      font-size: 64px;
    }

    .unit {
      margin-left: 6px;
      font-size: 32px;
      font-weight: 650;
    }

    .beside {
      padding-bottom: 6px;
      color: var(--ink-2);
      font-size: 20px;
      line-height: 1.4;
    }

    .beside ::ng-deep b {
      color: var(--ink);
    }

    @media (max-width: 899px) {
      .digits {
        font-size: 84px;
      }

      .unit {
        font-size: 26px;
      }

      .beside {
        padding-top: 8px;
        font-size: 18px;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BigNumber {
  protected readonly words = { computing: $localize`Computing` } as const;

  readonly what = input.required<string>();
  readonly number = input.required<string>();
  readonly unit = input.required<string>();
  /** Something forbids acting on it: it is told, and does not call for anything. */
  readonly quiet = input(false);
  /** It belongs to what stood here before; that of now is on its way. */
  readonly computing = input(false);
}
