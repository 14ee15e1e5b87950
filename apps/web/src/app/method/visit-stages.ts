import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Visit } from '@hygromet/contract/visit';
import { Units } from '../preferences/units.service';

/** What has been taken out on this visit, and what still comes: each later stage says what it will need. */
@Component({
  selector: 'hy-visit-stages',
  template: `
    <h2>Account and after</h2>
    <dl>
      <div>
        <dt>Account</dt>
        <dd>{{ account() }}</dd>
      </div>
      <div>
        <dt>Prove</dt>
        <dd>{{ prove() }}</dd>
      </div>
      <div>
        <dt>Recharge</dt>
        <dd>{{ recharge() }}</dd>
      </div>
    </dl>
  `,
  styles: `
    h2 {
      font-size: 18px;
    }

    div {
      display: grid;
      gap: 2px 16px;
      grid-template-columns: 100px minmax(0, 1fr);
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }

    dl {
      margin-top: 8px;
    }

    dt {
      font-weight: 650;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitStages {
  readonly visit = input.required<Visit>();
  /** What may be in it, kg, before anything was taken out. */
  readonly contentKg = input.required<number>();
  readonly nameplateKg = input.required<number>();
  /** What the weakest recorded part bears, in words; nothing where none is recorded. */
  readonly weakest = input<string | undefined>();
  private readonly units = inject(Units);

  protected readonly account = computed(() => {
    const { bookings, massKg } = this.visit().recovered;
    if (bookings === 0) return 'Nothing is booked yet. Weigh the cylinder before and after: what is booked here counts to this visit.';
    const left = this.contentKg();
    return `${this.units.massText(massKg)} booked in ${bookings === 1 ? 'one transfer' : `${bookings} transfers`}; ${left > 0.01 ? `${this.units.massText(left)} should still be in it by the ledger` : 'nothing is left in it by the ledger'}.`;
  });
  protected readonly prove = computed(
    () =>
      `Needs dry nitrogen with its regulator, a gauge that holds, a thermometer, a vacuum pump and a micron gauge.${this.weakest() === undefined ? ' No part with a pressure limit is recorded: read the plates before a test.' : ` No test above ${this.weakest()}.`}`,
  );
  protected readonly recharge = computed(
    () =>
      `Needs a scale and ${this.units.massText(this.nameplateKg())} of ${this.visit().system.refrigerant} by the plate, and what the line set takes beyond it.`,
  );
}
