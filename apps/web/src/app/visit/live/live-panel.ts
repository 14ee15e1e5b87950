import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  output,
  untracked,
} from '@angular/core';
import { machineStates, type MachineState } from '@hygromet/core/twin/machine-state';
import { coolingsOfCylinder, type CylinderCooling } from '@hygromet/core/twin/scenario';
import type { MassUnit } from '@hygromet/core/units/mass';
import { machineHoldsKg } from '@hygromet/core/twin/alarm/next-cylinder';
import { nearCutOut, slowsDown } from '@hygromet/core/twin/alarm/watching';
import { errorIn } from '../../data/mutation';
import { Units } from '../../preferences/units.service';
import { FillSession } from '../../transfer/fill.session';
import { BigNumber } from '../../ui/big-number';
import { Caution } from '../../ui/caution';
import { clockText } from '../../ui/day';
import { valueOf } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { WeightBeam } from '../../ui/weight-beam';
import { VisitJob } from '../visit-job';
import { AlarmSound } from './alarm-sound';
import { FollowSpeed } from './follow-speed';
import { LiveChart } from './live-chart';
import { Cures } from './cures';
import { LiveTransfer } from './live-transfer';
import {
  coolingNames,
  cureDone,
  cureNames,
  doubtText,
  loopText,
  machineNames,
  durationText,
  endText,
  fromNow,
  besideText,
  suspectSays,
  twentyText,
} from './live-labels';
import { SwapGuide } from './swap-guide';
import { screenOn } from './wake-lock';
import { ReactiveFormsModule } from '@angular/forms';
import { readingForm } from '../../forms/reading-form';

/** What the scale showed when it was stopped, and when it began. */
export interface EndedGross {
  readonly grossKg: number;
  readonly startGrossKg: number;
}

/** A transfer as it runs: the scale in large, what is left to the stop and for how long, where the pressures go, what to do next. */
@Component({
  selector: 'hy-live-panel',
  imports: [BigNumber, Caution, Cures, LiveChart, QuantityField, ReactiveFormsModule, SwapGuide, WeightBeam],
  template: `
    @if (live.transfer(); as t) {
      <hy-big-number [what]="what()" [number]="gross().number" [unit]="gross().unit">
        @if (leftKg() >= 0) {
          <p i18n>
            <b>{{ onScale(leftKg(), 'down') }}</b> to the stop at {{ onScale(t.setUp.stopGrossKg, 'down') }}
          </p>
        } @else {
          <p i18n class="over">
            beyond the stop by <b>{{ onScale(-leftKg(), 'up') }}</b>
          </p>
        }
        @if (ending(); as words) {
          <p>{{ words }}</p>
        }
        @if (twenty(); as words) {
          <p>{{ words }}</p>
        }
        <p>{{ rate() }}</p>
      </hy-big-number>
      <hy-weight-beam
        [tareKg]="t.setUp.tareKg"
        [nowKg]="live.gross()?.kg ?? t.setUp.startGrossKg"
        [stopKg]="t.setUp.stopGrossKg"
        [unit]="fill.scaleUnit()"
      />
      @if (live.connection(); as connection) {
        @if (!connection.connected) {
          <hy-caution i18n>
            No connection to the instruments since {{ clock(connection.since) }}. The twin goes on from the last reading; what is read
            meanwhile comes later. Stay at the scale.
          </hy-caution>
        }
      }
      @if (live.tripped()) {
        <div class="foreseen" role="status">
          <div i18n>
            <b>The machine seems to have tripped:</b> the head falls and nothing flows.<br />Cool the cylinder before it is started again.
          </div>
          <button i18n type="button" class="button main" (click)="machine('off')">It has tripped</button>
        </div>
      } @else if (foreseen(); as f) {
        <div class="foreseen" role="status">
          <div>
            <b i18n>The machine {{ f.sure ? words.will : words.may }} trip at {{ units.pressure(f.cutOutPa) }} in about {{ f.inText }}.</b
            ><br />
            {{ f.cureText }}
          </div>
          @if (f.cure; as cure) {
            @if (cure.by !== 'swap') {
              <button type="button" class="button main" (click)="live.cured(cure.by)">{{ cureDone[cure.by] }}</button>
            }
          }
        </div>
        <hy-cures />
      } @else if (nearTrip()) {
        <hy-caution i18n>The head is at {{ headText() }}: cool the cylinder, or throttle the suction.</hy-caution>
      }
      @if (live.toBeStarted()) {
        <div class="foreseen" role="status">
          <div i18n><b>The liquid should be over: start the machine.</b><br />Its inlet throttled while liquid still comes.</div>
          <button i18n type="button" class="button main" (click)="machine('on')">It runs</button>
        </div>
      }
      @if (live.toBePurged()) {
        <div class="foreseen" role="status">
          <div i18n>
            <b>The system should be empty: purge the machine.</b><br />About {{ machineHolds() }} may stand in its condenser. Shut its
            inlet, set it to purge, until nothing comes any more.
          </div>
          <button i18n type="button" class="button main" (click)="machine('purge')">It purges</button>
        </div>
      }
      @let purged = live.purgedKg();
      @if (purged !== undefined) {
        <p i18n>Purged from the machine: {{ onScale(purged) }}.</p>
      }
      @if (live.machineState() === 'loop') {
        <hy-caution>{{ loopText }}</hy-caution>
      }
      <hy-swap-guide />
      @for (doubt of live.doubts(); track doubt.quantity + doubt.doubt) {
        <hy-caution>{{ doubtText(doubt.quantity, doubt.doubt) }}</hy-caution>
      }
      @for (suspect of suspects(); track suspect) {
        <hy-caution [grave]="suspect === 'another-refrigerant'">{{ suspectSays(suspect, readsLike(), offReadings()) }}</hy-caution>
      }
      @if (pressures()) {
        <hy-live-chart />
      }
      @if (beside(); as text) {
        <p i18n class="small">Readings less twin: {{ text }}.</p>
      }
      @if (live.withoutTwin()) {
        <p i18n class="second">
          No forecast: outdoor temperature and a method are needed for it (stages Look and Method). Scale and alarm work without.
        </p>
      }
      <div class="deeds">
        <fieldset>
          <legend i18n>Cylinder stands in</legend>
          @for (item of coolings; track item) {
            <button type="button" class="choice" [attr.aria-pressed]="item === cooling()" (click)="cool(item)">{{ names[item] }}</button>
          }
        </fieldset>
        @if (t.setUp.machine) {
          <fieldset>
            <legend i18n>Machine</legend>
            @for (state of machineStates(); track state) {
              <button type="button" class="choice" [attr.aria-pressed]="state === shownState()" (click)="machine(state)">
                {{ machineNames[state] }}
              </button>
            }
          </fieldset>
        }
        <fieldset>
          <legend i18n>Valve of the cylinder</legend>
          <button i18n type="button" class="choice" [attr.aria-pressed]="!live.valveShut()" (click)="valve('open')">Open</button>
          <button i18n type="button" class="choice" [attr.aria-pressed]="live.valveShut()" (click)="valve('shut')">Shut</button>
        </fieldset>
      </div>
      <details [open]="typedOnly()">
        <summary i18n>Type a reading</summary>
        <form class="typed" novalidate [formGroup]="typed.form" (ngSubmit)="type()">
          <hy-quantity-field label="Gross weight" i18n-label kind="mass" formControlName="gross" />
          <hy-quantity-field label="Suction" i18n-label kind="pressure" formControlName="suction" />
          <hy-quantity-field label="Head" i18n-label kind="pressure" formControlName="head" />
          <button i18n type="submit" class="button" [disabled]="!readable()">Add reading</button>
        </form>
        @if (refused(); as sentence) {
          <p role="alert" class="over">{{ sentence }}</p>
        }
      </details>
      <div class="actions">
        <button i18n type="button" class="button main" (click)="stop()">Stop, read the scale</button>
        <span class="state">{{ state() }}</span>
        @if (!sound.ready()) {
          <button i18n type="button" class="button small" (click)="sound.wake()">Turn the alarm’s sound on</button>
        }
      </div>
    }
  `,
  styleUrl: './live.css',
  providers: [FollowSpeed],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LivePanel {
  protected readonly words = { will: $localize`will`, may: $localize`may` } as const;

  protected readonly live = inject(LiveTransfer);
  protected readonly fill = inject(FillSession);
  protected readonly units = inject(Units);
  protected readonly sound = inject(AlarmSound);
  protected readonly typed = readingForm(`live-reading.${inject(VisitJob).id}`, { gross: 'mass', suction: 'pressure', head: 'pressure' });
  readonly stopped = output<EndedGross>();

  protected readonly coolings = coolingsOfCylinder;
  protected readonly names = coolingNames;
  protected readonly machineNames = machineNames;
  protected readonly cureDone = cureDone;
  protected readonly loopText = loopText;
  protected readonly machineHolds = computed(() => this.onScale(machineHoldsKg));
  /** Push-pull needs the machine at the cylinder as it is. */
  protected readonly machineStates = computed(() =>
    this.live.transfer()?.setUp.scenario?.method === 'push-pull' ? (['on', 'off'] as const) : machineStates,
  );
  /** While liquid goes by itself nobody has started it yet. */
  protected readonly shownState = computed((): MachineState | undefined => {
    const waits = this.live.transfer()?.setUp.scenario?.method === 'liquid-first';
    return this.live.machineState() ?? (waits ? undefined : 'on');
  });
  protected readonly doubtText = doubtText;
  protected readonly suspectSays = suspectSays;
  protected readonly offReadings = computed(() => this.live.outlook()?.offReadings ?? []);
  protected readonly beside = computed(() => besideText(this.live.outlook()?.beside ?? {}, this.units));
  protected readonly readsLike = computed(() => this.live.outlook()?.readsLike);
  protected readonly clock = clockText;
  private readonly awake = screenOn(computed(() => this.live.transfer() !== undefined));

  protected readonly onScale = (kg: number, rounding?: 'nearest' | 'down' | 'up') =>
    this.units.massText(kg, rounding, this.fill.scaleUnit());
  protected readonly gross = computed(() => this.units.mass(this.live.gross()?.kg ?? 0, 'nearest', this.fill.scaleUnit()));
  protected readonly what = computed(() => {
    const name = valueOf(this.fill.cylinder())?.name ?? $localize`Cylinder`;
    switch (this.live.gross()?.by) {
      case 'carried-on':
        return $localize`${name}, gross carried on from the last reading, ${durationText(this.live.silentMs() / 1000, this.units)} ago`;
      case 'typed':
        return $localize`${name}, gross as it was typed last`;
      case 'start':
      case undefined:
        return $localize`${name}, gross at the start`;
      default:
        return $localize`${name} on the scale, gross`;
    }
  });
  protected readonly leftKg = computed(() => (this.live.transfer()?.setUp.stopGrossKg ?? 0) - (this.live.gross()?.kg ?? 0));
  protected readonly ending = computed(() => {
    const outlook = this.live.outlook();
    // beyond a trip nothing is as it would be without
    if (outlook === undefined || this.live.valveShut() || (outlook.trip !== undefined && outlook.trip.likely <= outlook.end.t.likely))
      return undefined;
    return endText(outlook, this.live.elapsed(), this.units);
  });
  protected readonly twenty = computed(() => {
    const outlook = this.live.outlook();
    return outlook === undefined || this.ending() === undefined ? undefined : twentyText(outlook, this.live.elapsed(), this.units);
  });
  protected readonly rate = computed(() => {
    const [rate, speed] = [this.live.rate(), this.live.speed()];
    if (this.live.valveShut()) return $localize`valve shut`;
    if (rate === undefined) return $localize`no rate yet`;
    const perMinute = (rate * 60) / speed;
    const { number, unit } = this.units.mass(Math.max(0, perMinute), 'nearest', this.unitOfRate());
    return `${number} ${unit}/min${this.slowing() ? $localize`, slowing` : ''}`;
  });
  private readonly unitOfRate = (): MassUnit => (this.fill.scaleUnit() === 'kg' ? 'kg' : 'lb');
  private readonly slowing = computed(() => {
    const outlook = this.live.outlook();
    const [first, middle, last] = [outlook?.bands.grossKg[0], outlook?.bands.grossKg[30], outlook?.bands.grossKg.at(-1)];
    if (first === undefined || middle === undefined || last === undefined) return false;
    return slowsDown(middle.likely - first.likely, last.likely - middle.likely);
  });

  protected readonly foreseen = computed(() => {
    const outlook = this.live.outlook();
    const trip = outlook?.trip;
    if (outlook === undefined || trip === undefined || this.live.machineOff() || this.live.valveShut()) return undefined;
    const inS = trip.likely - this.live.elapsed();
    // what should have happened by now and did not is no forecast any more: the head itself tells
    if (inS <= 0) return undefined;
    const cure = outlook.cures.find(({ tripS }) => tripS === undefined);
    const saved = cure === undefined ? 0 : outlook.end.t.likely - cure.endS;
    const cureText =
      cure === undefined
        ? $localize`Nothing that can be done here keeps the head below it by itself: take less at a time, let the cylinder cool between.`
        : $localize`${capital(cureNames[cure.by])} the head stays below ${this.units.pressure(cure.headPa)}${saved > 60 ? $localize`, and ${durationText(saved, this.units)} are saved` : ''}.`;
    return {
      inS,
      sure: Number.isFinite(trip.high),
      inText: fromNow(trip, this.live.elapsed(), this.units),
      cutOutPa: outlook.cutOutPa,
      cure,
      cureText,
    };
  });
  protected readonly nearTrip = computed(() => {
    const [head, outlook] = [this.live.last('head'), this.live.outlook()];
    return head !== undefined && outlook !== undefined && nearCutOut(head.value, outlook.cutOutPa) && !this.live.machineOff();
  });
  protected readonly headText = computed(() => this.units.pressure(this.live.last('head')?.value ?? 0));
  protected readonly pressures = computed(() => {
    const series = this.live.series();
    return (series?.head.length ?? 0) + (series?.suction.length ?? 0) > 0 || this.live.outlook() !== undefined;
  });
  protected readonly cooling = computed((): CylinderCooling => {
    const note = this.live.transfer()?.notes.findLast(({ note: kept }) => kept.what === 'cooling')?.note;
    return note?.what === 'cooling' ? note.cooling : (this.live.transfer()?.setUp.scenario?.cylinder.cooling ?? 'still-air');
  });
  /** What has a plainer cause is not looked for further. */
  protected readonly suspects = computed(() => (this.live.tripped() ? [] : (this.live.outlook()?.suspects ?? [])));
  protected readonly typedOnly = computed(() => Object.keys(this.live.instruments()).length === 0);
  protected readonly state = computed(() => {
    const parts = [
      ...(this.typedOnly()
        ? [$localize`typed readings`]
        : [$localize`last reading ${durationText(this.live.silentMs() / 1000, this.units)} ago`]),
      ...(this.live.speed() > 1 ? [$localize`simulated, ${this.live.speed()} × time`] : []),
      this.sound.ready() ? $localize`alarm on` : $localize`alarm on the screen only`,
      this.awake() ? $localize`screen stays on` : $localize`screen may go dark`,
    ];
    return parts.join(' · ');
  });
  protected readonly readable = computed(() => Object.values(this.typed.read()).some(({ state }) => state !== 'empty'));
  protected readonly refused = computed(() => errorIn(this.live.adding.state()));

  constructor() {
    inject(FollowSpeed);
    void this.sound.wake();
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    afterNextRender(() => host.nativeElement.scrollIntoView({ block: 'start' }));
    // that a trip was foreseen stays in the record, once
    effect(() => {
      const foreseen = this.foreseen();
      if (foreseen === undefined) return;
      untracked(() => {
        const told = this.live.transfer()?.notes.some(({ note }) => note.what === 'trip-foreseen') ?? true;
        if (!told) this.live.note({ what: 'trip-foreseen', inS: Math.max(0, Math.round(foreseen.inS)) });
      });
    });
  }

  protected cool(cooling: CylinderCooling): void {
    void this.sound.wake();
    if (cooling !== this.cooling()) this.live.note({ what: 'cooling', cooling });
  }

  protected machine(state: MachineState): void {
    if (state !== this.shownState()) this.live.setMachine(state);
  }

  protected valve(state: 'open' | 'shut'): void {
    if ((state === 'shut') !== this.live.valveShut()) this.live.note({ what: 'valve', state });
  }

  protected type(): void {
    const { gross, suction, head } = this.typed.read();
    const read = { grossKg: gross, suctionPa: suction, headPa: head };
    const good = Object.fromEntries(Object.entries(read).flatMap(([name, item]) => (item.state === 'good' ? [[name, item.si]] : [])));
    if (Object.values(read).some(({ state }) => state === 'bad') || Object.keys(good).length === 0) return;
    this.live.type(good);
    this.typed.empty('gross', 'suction', 'head');
  }

  protected stop(): void {
    const startGrossKg = this.live.transfer()?.setUp.startGrossKg ?? 0;
    const grossKg = this.live.finish();
    if (grossKg !== undefined) this.stopped.emit({ grossKg, startGrossKg });
  }
}

const capital = (text: string): string => `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}`;
