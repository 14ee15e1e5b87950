import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { refusalIn } from '../live/command';
import { Units } from '../preferences/units.service';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { QuantityField } from '../ui/quantity-field';
import { WeightBeam } from '../ui/weight-beam';
import { CylinderSide } from './cylinder-side';
import { FillSession } from './fill.session';

/** While it flows and after: the stop in large, the reading after, and the booking. */
@Component({
  selector: 'hy-transfer-stage',
  imports: [BigNumber, Caution, CylinderSide, QuantityField, WeightBeam],
  template: `
    @let c = cylinder();
    <div class="columns">
      <section class="main-column" aria-label="Transfer">
        @if (session.shutAt(); as shutAt) {
          <hy-big-number what="Close the valve when the scale reads" [number]="stop().number" [unit]="stop().unit + ' gross'">
            <p>{{ units.massText(shutAt.gross, 'down', units.otherMassUnit()) }} gross</p>
            <p>
              moved <b>{{ units.massText(movedKg()) }}</b>
            </p>
            @if (beyond()) {
              <p class="over">
                beyond the stop by <b>{{ units.massText(-leftKg()) }}</b>
              </p>
            } @else {
              <p>
                left until the stop <b>{{ units.massText(leftKg(), 'down') }}</b>
              </p>
            }
          </hy-big-number>
          <hy-weight-beam [tareKg]="c.tareKg" [nowKg]="nowKg()" [stopKg]="shutAt.gross" />
        }
        <hy-caution>Stay with the cylinder while it fills. It warms and its pressure climbs; a float switch is no limit.</hy-caution>
        @if (session.draft().acceptMixing && session.stopped()) {
          <hy-caution [grave]="true"
            >This is booked as it happened, against a limit: the cylinder will be flagged until it is put right.</hy-caution
          >
        }
        <div class="narrow-fields">
          <hy-quantity-field
            label="Scale reads after"
            missing="The reading after the transfer is missing."
            kind="mass"
            [entry]="session.draft().after"
            (entryChange)="session.change({ after: $event })"
            [asked]="session.asked()"
            [problem]="problem()"
          />
        </div>
        @if (beyond()) {
          <p class="second">If it is true, book it: the ledger keeps what happened.</p>
        }
        @if (refused(); as sentence) {
          <p role="alert" class="over">{{ sentence }}</p>
        }
        <div class="end">
          <div class="actions">
            <button type="button" class="button main" [disabled]="busy()" (click)="session.book()">
              {{ busy() ? 'Booking' : 'Book the transfer' }}
            </button>
          </div>
          <button type="button" class="button plain" (click)="session.change({ stage: 'cylinder', acceptMixing: false })">
            Back to the stop weight
          </button>
        </div>
      </section>
      <hy-cylinder-side />
    </div>
  `,
  styleUrls: ['../ui/columns.css', './stage.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TransferStage {
  protected readonly session = inject(FillSession);
  protected readonly units = inject(Units);

  protected readonly cylinder = computed(() => valueOf(this.session.cylinder())!); // the page shows this stage only with its cylinder
  protected readonly stop = computed(() => this.units.mass(this.session.shutAt()?.gross ?? 0, 'down'));
  private readonly after = computed(() => {
    const after = this.session.after();
    return after.state === 'good' ? after.si : undefined;
  });
  protected readonly nowKg = computed(() => this.session.grossNow() ?? this.cylinder().tareKg);
  protected readonly movedKg = computed(() => this.nowKg() - (this.session.grossBefore() ?? 0));
  protected readonly leftKg = computed(() => (this.session.shutAt()?.gross ?? 0) - this.nowKg());
  protected readonly beyond = computed(() => this.after() !== undefined && this.leftKg() < 0);
  protected readonly busy = computed(() => this.session.booking.state().state === 'busy');
  protected readonly problem = computed(() => {
    if (this.after() !== undefined && this.movedKg() <= 0) return 'The cylinder did not get heavier. Read the scale again.';
    return refusalIn(this.session.booking.state(), '/grossAfterKg');
  });
  protected readonly refused = computed(() => (this.problem() === undefined ? refusalIn(this.session.booking.state()) : undefined));
}
