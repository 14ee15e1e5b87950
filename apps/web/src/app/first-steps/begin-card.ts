import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { FirstStepsSession } from './first-steps.session';

/** On Today, while a firm of its own has not begun: the way to its first steps. */
@Component({
  selector: 'hy-begin-card',
  imports: [RouterLink],
  providers: [FirstStepsSession],
  template: `
    @if (session.asked()) {
      <section aria-label="First steps" i18n-aria-label>
        <div>
          <h2>
            @if (fresh()) {
              <ng-container i18n>Welcome: nothing is in here yet</ng-container>
            } @else {
              <ng-container i18n>First steps</ng-container>
            }
          </h2>
          <p i18n>
            {{ session.left() }} {{ session.left() === 1 ? words.stepIs : words.stepsAre }} left: firm, device, practice, cylinders,
            systems.
          </p>
        </div>
        <a class="button main" routerLink="/first-steps">
          @if (fresh()) {
            <ng-container i18n>Begin</ng-container>
          } @else {
            <ng-container i18n>Go on</ng-container>
          }
        </a>
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      gap: 16px;
      align-items: center;
      justify-content: space-between;
      padding: 18px 16px;
      margin: 0 0 20px;
      border-radius: var(--radius);
      background: var(--act-soft);
    }

    h2 {
      margin: 0;
      font-size: 18px;
    }

    p {
      margin: 4px 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeginCard {
  protected readonly words = { stepIs: $localize`step is`, stepsAre: $localize`steps are` } as const;

  protected readonly session = inject(FirstStepsSession);
  protected readonly fresh = computed(() => this.session.done().size === 0);
}
