import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { objectionWords } from '../cylinders/objection-labels';
import { errorIn } from '../data/mutation';
import { Units } from '../preferences/units.service';
import { BeginLive } from '../visit/live/begin-live';
import { LiveTransfer } from '../visit/live/live-transfer';
import { AskedBack } from '../ui/asked-back';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { WeightBeam } from '../ui/weight-beam';
import { WeightKeys } from '../ui/weight-keys';
import { WhenField } from '../ui/when-field';
import { beyondSource } from './beyond-source';
import { CylinderSide } from './cylinder-side';
import { FillSession } from './fill.session';

/** While it flows and after: the stop in large, the reading after, and the booking. */
@Component({
  selector: 'hy-transfer-stage',
  imports: [AskedBack, BeginLive, BigNumber, Caution, CylinderSide, QuantityField, TextField, WeightBeam, WeightKeys, WhenField],
  template: `
    @let c = cylinder();
    <div class="columns">
      <section class="main-column" aria-label="Transfer" i18n-aria-label>
        @if (told(); as shutAt) {
          <hy-big-number
            what="Close the valve when the scale reads"
            i18n-what
            [number]="stop().number"
            unit="{{ stop().unit }} gross"
            i18n-unit
          >
            <p i18n>{{ units.massText(shutAt.gross, 'down', units.otherMassUnit(session.scaleUnit())) }} gross</p>
            <p i18n>
              moved <b>{{ session.onScale(movedKg()) }}</b>
            </p>
            @if (beyond()) {
              <p i18n class="over">
                beyond the stop by <b>{{ session.onScale(-leftKg(), 'up') }}</b>
              </p>
            } @else {
              <p i18n>
                left until the stop <b>{{ session.onScale(leftKg(), 'down') }}</b>
              </p>
            }
          </hy-big-number>
          <hy-weight-beam [tareKg]="session.tareKg()" [nowKg]="nowKg()" [stopKg]="shutAt.gross" [unit]="session.scaleUnit()" />
        } @else {
          <div class="ask">
            <h2 i18n>{{ c.name }} went from {{ session.onScale(session.grossBefore() ?? 0) }} to …</h2>
            <p i18n class="second">What already happened had no stop weight. Enter the reading after it.</p>
          </div>
        }
        <hy-caution i18n>Stay with the cylinder while it fills. It warms and its pressure climbs; a float switch is no limit.</hy-caution>
        @if (canFollow()) {
          <hy-begin-live />
        }
        @if (session.draft().acceptMixing && session.stopped()) {
          <hy-caution i18n [grave]="true">
            This will be logged as it happened.
            @if (against(); as list) {
              Warnings at the time are kept with the entry: {{ list }}.
            }
            The cylinder will be flagged until the problem is corrected.
          </hy-caution>
        }
        <div class="narrow-fields">
          <hy-quantity-field
            label="Ending gross weight"
            i18n-label
            missing="The reading after the transfer is missing."
            i18n-missing
            kind="mass"
            [entry]="session.draft().after"
            (entryChange)="session.change({ after: $event, certain: false })"
            [submitted]="session.submitted()"
            [problem]="problem()"
          >
            <hy-weight-keys
              label="Ending gross weight"
              i18n-label
              [entry]="session.draft().after"
              (entryChange)="session.change({ after: $event, certain: false })"
            />
          </hy-quantity-field>
        </div>
        <div class="fields">
          <hy-when-field
            [when]="session.draft().when"
            (whenChange)="session.change({ when: $event })"
            [problem]="problemAt('/happenedAt')"
          />
          <hy-text-field
            [label]="session.mixes() ? words.whatHappened : words.note"
            [placeholder]="session.mixes() ? words.eGLabelsWereSwapped : words.optional"
            [text]="session.draft().note"
            (textChange)="session.change({ note: $event })"
            [problem]="noteProblem()"
          />
        </div>
        @if (session.submitted() && session.doubt(); as question) {
          <hy-caution [grave]="true">
            {{ question }}
            <button i18n type="button" class="link" (click)="session.change({ certain: true })">Reading is correct – continue</button>
          </hy-caution>
        }
        @if (beyondSource(); as sentence) {
          <hy-caution>{{ sentence }}</hy-caution>
        }
        @if (beyond()) {
          <p i18n class="second">If that is correct, log it anyway – the ledger records what actually happened.</p>
        }
        @if (session.question(); as question) {
          <hy-asked-back
            role="alert"
            [question]="question"
            [sentence]="asking()"
            (certain)="session.certain($event)"
            (same)="session.again()"
          />
        } @else if (refused(); as sentence) {
          <p role="alert" class="over">{{ sentence }}</p>
        }
        <div class="end">
          <div class="actions">
            <button type="button" class="button main" [disabled]="busy()" (click)="session.book()">
              @if (busy()) {
                <ng-container i18n>Booking</ng-container>
              } @else {
                <ng-container i18n>Log transfer</ng-container>
              }
            </button>
          </div>
          <button i18n type="button" class="button plain" (click)="session.change({ stage: 'cylinder', acceptMixing: false })">
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
  protected readonly words = {
    whatHappened: $localize`What happened?`,
    note: $localize`Note`,
    eGLabelsWereSwapped: $localize`e.g. labels were swapped`,
    optional: $localize`optional`,
  } as const;

  protected readonly session = inject(FillSession);
  protected readonly units = inject(Units);

  /** Within a visit a transfer can be followed as it runs; elsewhere there is nobody to follow it with. */
  private readonly live = inject(LiveTransfer, { optional: true });
  protected readonly canFollow = computed(
    () =>
      this.live !== null &&
      this.told() !== undefined &&
      this.live.transfer() === undefined &&
      this.after() === undefined &&
      this.session.source()?.kind === 'system',
  );

  /** A target is told only to who is still going to shut the valve. */
  protected readonly told = computed(() => (this.session.draft().acceptMixing ? undefined : this.session.shutAt()));
  protected readonly cylinder = computed(() => valueOf(this.session.cylinder())!); // the page shows this stage only with its cylinder
  protected readonly stop = computed(() => this.units.mass(this.session.shutAt()?.gross ?? 0, 'down', this.session.scaleUnit()));
  private readonly after = computed(() => {
    const after = this.session.after();
    return after.state === 'good' ? after.si : undefined;
  });
  protected readonly nowKg = computed(() => this.session.grossNow() ?? this.session.tareKg());
  protected readonly movedKg = computed(() => this.nowKg() - (this.session.grossBefore() ?? 0));
  protected readonly leftKg = computed(() => (this.session.shutAt()?.gross ?? 0) - this.nowKg());
  protected readonly beyond = computed(() => this.told() !== undefined && this.after() !== undefined && this.leftKg() < 0);
  protected readonly against = computed(() =>
    this.session
      .objections()
      .map((objection) => objectionWords[objection])
      .join(', '),
  );
  protected readonly noteProblem = computed(() =>
    this.session.submitted() && this.session.reasonMissing()
      ? $localize`Explain how the refrigerants got mixed. The reason is kept with the entry.`
      : this.problemAt('/note'),
  );
  protected readonly beyondSource = computed(() =>
    this.after() === undefined ? undefined : beyondSource(this.session.source(), this.movedKg(), { massText: this.session.onScale }),
  );
  protected readonly busy = computed(() => this.session.booking.state().state === 'busy');
  /** A question stands on its own, with its ways on: not beside a field as well. */
  protected readonly problemAt = (pointer: string) =>
    this.session.question() === undefined ? errorIn(this.session.booking.state(), pointer) : undefined;
  protected readonly asking = computed(() => errorIn(this.session.booking.state()) ?? '');
  protected readonly problem = computed(() => {
    if (this.after() !== undefined && this.movedKg() <= 0) return $localize`The weight did not increase. Read the scale again.`;
    return this.problemAt('/grossAfterKg');
  });
  protected readonly refused = computed(() => (this.problem() === undefined ? errorIn(this.session.booking.state()) : undefined));
}
