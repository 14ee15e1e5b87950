import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { CheckboxStyles } from '../../ui/library-styles/checkbox-styles';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Instrument } from '@hygromet/contract/instrument';
import type { RecoveryMethod } from '@hygromet/core/twin/scenario';
import { chargeDeviation } from '@hygromet/core/twin/estimate/charge-deviation';
import type { Paired } from '@hygromet/contract/visit-transfer';
import { errorIn } from '../../data/mutation';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { FillSession } from '../../transfer/fill.session';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { valueOf } from '../../ui/loadable';
import { liveQuantities, type LiveQuantity } from './live-figures';
import { HeardInstruments, lastOf } from './heard-instruments';
import { LiveTransfer } from './live-transfer';
import { scenarioOf } from './scenario-of';

const QUANTITY_NAMES: Record<LiveQuantity, string> = {
  gross: $localize`Scale`,
  suction: $localize`Suction probe`,
  head: $localize`Head probe`,
  wall: $localize`Clamp on the cylinder`,
};

const WAYS: readonly Choice[] = [
  { value: 'liquid-first', label: $localize`Liquid first, then vapor through the machine` },
  { value: 'vapour', label: $localize`Vapor through the machine` },
  { value: 'push-pull', label: $localize`Push-pull` },
  { value: 'direct', label: $localize`By its own pressure, no machine` },
];

/** Which instruments read this transfer, and off: two touches. Without any, it is followed by typed readings. */
@Component({
  selector: 'hy-begin-live',
  imports: [CheckboxStyles, ChoiceField, FormsModule, NzCheckboxModule],
  template: `
    <hy-checkbox-styles />
    <section aria-label="Follow it live" i18n-aria-label>
      <h3 i18n>Follow it live</h3>
      <p i18n class="second">
        The stop alarm counts what still comes while you shut the valve; the twin says when it ends and whether the machine will trip.
      </p>
      <hy-choice-field label="How it flows" i18n-label [choices]="ways" [value]="way()" (valueChange)="chosenWay.set($event)" />
      @if (found().length > 0) {
        <ul>
          @for (item of found(); track item.quantity) {
            <li>
              <label
                nz-checkbox
                [for]="'follow-' + item.quantity"
                [nzId]="'follow-' + item.quantity"
                [ngModel]="!left().includes(item.quantity)"
                (ngModelChange)="toggle(item.quantity)"
              >
                {{ names[item.quantity] }} <b>{{ item.id }}</b> {{ item.shows }}
              </label>
            </li>
          }
        </ul>
        @if (speed() > 1) {
          <p i18n class="second">Simulated instruments: {{ speed() }} of their minutes pass in one of ours.</p>
        }
      } @else {
        <p i18n class="second">No instruments are heard here. Readings can be typed at any time.</p>
      }
      <div class="actions">
        <button type="button" class="button" [disabled]="busy() || fill.computing()" (click)="begin()">
          {{
            chosen() > 0
              ? words.followWith + (chosen() === 1 ? words.thisInstrument : words.theseInstruments)
              : words.followWithTypedReadings
          }}
        </button>
      </div>
      @if (refused(); as sentence) {
        <p role="alert" class="over">{{ sentence }}</p>
      }
    </section>
  `,
  styleUrl: './live.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeginLive {
  protected readonly words = {
    followWith: $localize`Follow with `,
    thisInstrument: $localize`this instrument`,
    theseInstruments: $localize`these instruments`,
    followWithTypedReadings: $localize`Follow with typed readings`,
  } as const;

  private readonly live = inject(LiveTransfer);
  protected readonly fill = inject(FillSession);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  protected readonly names = QUANTITY_NAMES;

  private readonly heard = toSignal<readonly Instrument[], readonly Instrument[]>(inject(HeardInstruments).heard$, { initialValue: [] });
  /** Of each kind the one that was heard last. */
  protected readonly found = computed(() =>
    liveQuantities.flatMap((quantity) => {
      const current = lastOf(this.heard(), quantity);
      return current === undefined
        ? []
        : [{ quantity, id: current.id, shows: this.shows(quantity, current.last[quantity]!.value), facts: current.facts }];
    }),
  );
  protected readonly ways = WAYS;
  protected readonly chosenWay = signal<string | undefined>(undefined);
  /** As the plan has it, until somebody says otherwise. */
  protected readonly way = computed(() => this.chosenWay() ?? this.planned()?.method ?? 'liquid-first');
  private readonly planned = computed(() => {
    const [shutAt, cylinder] = [this.fill.shutAt(), valueOf(this.fill.cylinder())];
    return scenarioOf(this.session.question(), valueOf(this.session.plan()), cylinder, shutAt?.gross);
  });
  protected readonly left = signal<readonly LiveQuantity[]>([]);
  protected readonly chosen = computed(() => this.found().filter(({ quantity }) => !this.left().includes(quantity)).length);
  protected readonly speed = computed(() => {
    const speed = this.found().find(({ facts }) => facts['simulated'] === true)?.facts['speed'];
    return typeof speed === 'number' && speed >= 1 ? speed : 1;
  });
  protected readonly busy = computed(() => this.live.adding.state().state === 'busy');
  /** Without a stop there is nothing that an alarm could call out. */
  private readonly noStop = signal(false);
  protected readonly refused = computed(() =>
    this.noStop() && this.fill.shutAt() === undefined
      ? $localize`There is no stop weight, so nobody would call out before it: weigh the cylinder and say what comes in, or take another one.`
      : errorIn(this.live.adding.state()),
  );

  protected toggle(quantity: LiveQuantity): void {
    this.left.update((left) => (left.includes(quantity) ? left.filter((entry) => entry !== quantity) : [...left, quantity]));
  }

  protected begin(): void {
    const [shutAt, cylinder, plan] = [this.fill.shutAt(), valueOf(this.fill.cylinder()), valueOf(this.session.plan())];
    this.noStop.set(shutAt === undefined);
    if (shutAt === undefined || cylinder === undefined || this.fill.computing()) return;
    const instruments: Paired = Object.fromEntries(
      this.found()
        .filter(({ quantity }) => !this.left().includes(quantity))
        .map(({ quantity, id }) => [quantity, id]),
    );
    const planned = this.planned();
    const method = this.way() as RecoveryMethod; // the field offers only these
    const scenario = planned === undefined ? null : { ...planned, method, machine: method === 'direct' ? null : planned.machine };
    const { low = 0, high = 0 } = plan?.content ?? {};
    this.live.begin({
      cylinder: cylinder.id,
      startGrossKg: this.fill.grossBefore() ?? this.fill.tareKg(),
      stopGrossKg: shutAt.gross,
      tareKg: this.fill.tareKg(),
      machine: method !== 'direct',
      chargeSd: chargeDeviation(low, high),
      scenario,
      instruments,
      speed: Object.keys(instruments).length === 0 ? 1 : this.speed(),
    });
  }

  private shows(quantity: LiveQuantity, value: number): string {
    if (quantity === 'gross') return this.units.massText(value);
    return quantity === 'wall' ? this.units.temperature(value) : this.units.pressure(value);
  }
}
