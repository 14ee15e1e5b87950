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
      <section aria-label="First steps">
        <div>
          <h2>{{ fresh() ? 'Welcome: nothing is in here yet' : 'First steps' }}</h2>
          <p>{{ session.left() }} {{ session.left() === 1 ? 'step is' : 'steps are' }} left: firm, device, practice, cylinders, systems.</p>
        </div>
        <a class="button main" routerLink="/first-steps">{{ fresh() ? 'Begin' : 'Go on' }}</a>
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
  protected readonly session = inject(FirstStepsSession);
  protected readonly fresh = computed(() => this.session.done().size === 0);
}
