import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { ChargeNote } from '@hygromet/contract/charge-note';
import { CoreWorker } from '../core-worker/core-worker.service';
import { coreQuery } from '../core-worker/core-query';
import type { ReceiverArgs } from '../core-worker/plan-operations';
import { errorIn } from '../data/mutation';
import { MethodSession } from '../method/method.session';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { momentText } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { emptyEntry, readQuantity } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { VisitJob } from './visit-job';

/** A system with a receiver: whether the whole charge has room in it at pump-down, and what has to be seen for the next person. */
@Component({
  selector: 'hy-receiver-charge',
  imports: [Caution, QuantityField, TextField],
  template: `
    <h3>The receiver</h3>
    @if (room(); as r) {
      @if (r.fits === 'no') {
        <hy-caution [grave]="true">{{ r.text }}</hy-caution>
      } @else {
        <p>{{ r.text }}</p>
      }
    }
    @if (job.open()) {
      <form novalidate (submit)="$event.preventDefault(); seen()">
        <hy-quantity-field
          label="Low-pressure switch stopped it at"
          hint="seen, with the king valve shut"
          kind="pressure"
          [entry]="stops()"
          (entryChange)="stops.set($event)"
          [problem]="problem()"
        />
        <button type="submit" class="button" [disabled]="gaugePa() === undefined">Log the switch</button>
      </form>
      <form novalidate (submit)="$event.preventDefault(); marked()">
        <hy-text-field
          label="Level marked, for the next person"
          placeholder="such as a hand above the lower sight glass, at pump-down"
          [text]="where()"
          (textChange)="where.set($event)"
        />
        <button type="submit" class="button" [disabled]="where().trim() === ''">Log the mark</button>
      </form>
    }
    @for (item of logged(); track item.at) {
      <p class="second">{{ item.text }}</p>
    }
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './stages/stage.css',
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
  private readonly preferences = inject(PreferencesService).current;

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
    const at = `${this.units.percent(holding.share)} liquid at ${this.units.temperature(holding.T)}`;
    const held = this.units.massText(holding.certain ? holding.likely : holding.low, 'down');
    if (this.chargeKg() <= holding.low)
      return { fits: 'yes', text: `The whole charge, ${charge}, has room in it at pump-down: ${held}, ${at}.` };
    if (holding.certain && this.chargeKg() > holding.likely)
      return {
        fits: 'no',
        text: `The whole charge, ${charge}, has no room in it at pump-down: ${held}, ${at}. Part of it will have to be recovered.`,
      };
    return {
      fits: 'perhaps',
      text: `Whether the whole charge, ${charge}, has room in it at pump-down is not sure: ${held} to ${this.units.massText(holding.high, 'down')}, ${at}. Record its volume from the plate.`,
    };
  });

  protected readonly stops = signal(emptyEntry(this.preferences().pressure));
  private readonly read = computed(() => readQuantity('pressure', this.stops(), this.units.atmosphere()));
  protected readonly problem = computed(() => {
    const read = this.read();
    return read.state === 'bad' ? read.sentence : undefined;
  });
  protected readonly gaugePa = computed(() => {
    const read = this.read();
    return read.state === 'good' ? read.si - this.units.atmosphere() : undefined;
  });
  protected readonly where = signal('');

  private readonly adding = this.job.adding(() => {
    this.stops.set(emptyEntry(this.preferences().pressure));
    this.where.set('');
  });
  protected readonly refused = computed(() => errorIn(this.adding.state()));
  protected readonly logged = computed(() =>
    (this.job.visit()?.chargeNotes ?? []).flatMap(({ note, at, by }) => {
      const text = this.textOf(note);
      return text === undefined ? [] : [{ at, text: `${momentText(at)}, ${by}: ${text}` }];
    }),
  );

  private textOf(note: ChargeNote): string | undefined {
    switch (note.what) {
      case 'low-switch-stops':
        return `the low-pressure switch was seen to stop the compressor at ${this.units.pressure(note.gaugePa + this.units.atmosphere())}`;
      case 'level-marked':
        return `level marked: ${note.where}`;
      default:
        return undefined;
    }
  }

  protected seen(): void {
    const gaugePa = this.gaugePa();
    if (gaugePa !== undefined) this.adding.send({ kind: 'charge-noted', note: { what: 'low-switch-stops', gaugePa } });
  }

  protected marked(): void {
    this.adding.send({ kind: 'charge-noted', note: { what: 'level-marked', where: this.where().trim() } });
  }
}
