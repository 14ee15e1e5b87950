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
    @switch (session.draft().stage) {
      @case ('cylinder') {
        <hy-cylinder-stage />
      }
      @case ('transfer') {
        <hy-transfer-stage />
      }
      @case ('account') {
        <hy-booked-stage />
      }
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
