import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ChargeNote } from '@hygromet/contract/charge-note';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { coreQuery } from '../../core-worker/core-query';
import type { ReceiverArgs } from '../../core-worker/plan-operations';
import { errorIn } from '../../data/mutation';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { Caution } from '../../ui/caution';
import { momentText } from '../../ui/day';
import { valueOf } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { TextField } from '../../ui/text-field';
import { VisitJob } from '../visit-job';
import { ReactiveFormsModule } from '@angular/forms';
import { readingForm } from '../../forms/reading-form';
import { draftForm } from '../../forms/draft-form';

/** A system with a receiver: whether the whole charge has room in it at pump-down, and what has to be seen for the next person. */
@Component({
  selector: 'hy-receiver-charge',
  imports: [Caution, QuantityField, ReactiveFormsModule, TextField],
  template: `
    <h3 i18n>The receiver</h3>
    @if (room(); as r) {
      @if (r.fits === 'no') {
        <hy-caution [grave]="true">{{ r.text }}</hy-caution>
      } @else {
        <p>{{ r.text }}</p>
      }
    }
    @if (job.open()) {
      <form novalidate [formGroup]="switched.form" (ngSubmit)="seen()">
        <hy-quantity-field
          label="Low-pressure switch stopped it at"
          i18n-label
          hint="seen, with the king valve shut"
          i18n-hint
          kind="pressure"
          formControlName="stops"
        />
        <button i18n type="submit" class="button" [disabled]="gaugePa() === undefined">Log the switch</button>
      </form>
      <form novalidate [formGroup]="mark.form" (ngSubmit)="marked()">
        <hy-text-field
          label="Level marked, for the next person"
          i18n-label
          placeholder="such as a hand above the lower sight glass, at pump-down"
          i18n-placeholder
          formControlName="where"
        />
        <button i18n type="submit" class="button" [disabled]="mark.value().where.trim() === ''">Log the mark</button>
      </form>
    }
    @for (item of logged(); track item.at) {
      <p class="second">{{ item.text }}</p>
    }
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: '../stages/stage.css',
  styles: `
    :host {
      gap: 12px;
    }

    form {
      display: grid;
      align-items: start;
      gap: 12px 16px;
      grid-template-columns: minmax(0, 1fr) auto;
    }

    form > button {
      margin-top: 26px; /* beside the field, not its label */
    }

    @media (max-width: 599px) {
      form {
        grid-template-columns: minmax(0, 1fr);
      }

      form > button {
        justify-self: start;
        margin-top: 0;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReceiverCharge {
  /** kg that belong in the system. */
  readonly chargeKg = input.required<number>();
  protected readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);

  private readonly asked = coreQuery(
    inject(CoreWorker),
    'receiverRoom',
    computed((): ReceiverArgs | undefined => {
      const [system, composition, practice] = [valueOf(this.session.system()), this.session.inside(), this.session.practice()];
      if (system === undefined || composition === undefined || practice === undefined) return undefined;
      return { composition, volume: system.facts.volumes?.receiver, nameplateKg: system.nameplateKg, practice };
    }),
  );
  /** At the hottest that it will see; what is only estimated may warn, and neither allows nor forbids. */
  protected readonly room = computed(() => {
    const holding = valueOf(this.asked());
    if (holding === undefined) return undefined;
    const charge = this.units.massText(this.chargeKg());
    const at = $localize`${this.units.percent(holding.share)} liquid at ${this.units.temperature(holding.T)}`;
    const held = this.units.massText(holding.certain ? holding.likely : holding.low, 'down');
    if (this.chargeKg() <= holding.low)
      return { fits: 'yes', text: $localize`The whole charge, ${charge}, has room in it at pump-down: ${held}, ${at}.` };
    if (holding.certain && this.chargeKg() > holding.likely)
      return {
        fits: 'no',
        text: $localize`The whole charge, ${charge}, has no room in it at pump-down: ${held}, ${at}. Part of it will have to be recovered.`,
      };
    return {
      fits: 'perhaps',
      text: $localize`Whether the whole charge, ${charge}, has room in it at pump-down is not sure: ${held} to ${this.units.massText(holding.high, 'down')}, ${at}. Record its volume from the plate.`,
    };
  });

  protected readonly switched = readingForm(`receiver-switch.${this.job.id}`, { stops: 'pressure' });
  protected readonly mark = draftForm(`receiver-mark.${this.job.id}`, () => ({ where: '' }), {});
  protected readonly gaugePa = computed(() => {
    const read = this.switched.read().stops;
    return read.state === 'good' ? read.si - this.units.atmosphere() : undefined;
  });

  private readonly addingSwitch = this.job.adding(() => this.switched.empty('stops'));
  private readonly addingMark = this.job.adding(() => this.mark.renew());
  protected readonly refused = computed(() => errorIn(this.addingSwitch.state()) ?? errorIn(this.addingMark.state()));
  protected readonly logged = computed(() =>
    (this.job.visit()?.chargeNotes ?? []).flatMap(({ note, at, by }) => {
      const text = this.textOf(note);
      return text === undefined ? [] : [{ at, text: `${momentText(at)}, ${by}: ${text}` }];
    }),
  );

  private textOf(note: ChargeNote): string | undefined {
    switch (note.what) {
      case 'low-switch-stops':
        return $localize`the low-pressure switch was seen to stop the compressor at ${this.units.pressure(note.gaugePa + this.units.atmosphere())}`;
      case 'level-marked':
        return $localize`level marked: ${note.where}`;
      default:
        return undefined;
    }
  }

  protected seen(): void {
    const gaugePa = this.gaugePa();
    if (gaugePa !== undefined) this.addingSwitch.send({ kind: 'charge-noted', note: { what: 'low-switch-stops', gaugePa } });
  }

  protected marked(): void {
    this.addingMark.send({ kind: 'charge-noted', note: { what: 'level-marked', where: this.mark.value().where.trim() } });
  }
}
