import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { BookedStage } from './booked.stage';
import { CylinderStage } from './cylinder.stage';
import { FillSession } from './fill.session';
import { TransferStage } from './transfer.stage';

/** One fill, from the scale to the ledger: weigh and read the stop, transfer, log. The same on its own page and within a visit. */
@Component({
  selector: 'hy-fill-job',
  imports: [BookedStage, CylinderStage, TransferStage],
  template: `
    @if (session.draft().stage === 'cylinder') {
      <hy-cylinder-stage />
    }
    <!-- what comes after the stop weight is not waited for; it is there two seconds later, for a basement without network -->
    @defer (when session.draft().stage !== 'cylinder'; prefetch on timer(2000ms)) {
      @switch (session.draft().stage) {
        @case ('transfer') {
          <hy-transfer-stage />
        }
        @case ('account') {
          <hy-booked-stage />
        }
      }
    } @error {
      <p i18n role="alert" class="over">
        This stage did not come: there is no connection, or a newer version is there. Load the page again; what you typed is kept.
      </p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex: 1;
      flex-direction: column;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FillJob {
  protected readonly session = inject(FillSession);
}
