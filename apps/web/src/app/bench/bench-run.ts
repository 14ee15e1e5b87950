import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { TubeSize } from '@hygromet/core/circuit/line-set';
import { tubeSizes } from '@hygromet/core/circuit/line-set';
import { feedingRules } from '@hygromet/core/charge/feeding';
import type { Band } from '@hygromet/core/cycle/expected-today';
import { targetSuperheat } from '@hygromet/core/cycle/rule-of-thumb';
import { meterings } from '@hygromet/core/cycle/unit';
import { CoreError } from '@hygromet/core/errors';
import { readNumber } from '@hygromet/core/units/read-number';
import { coreQuery } from '../core-worker/core-query';
import type { ChargeArgs, FeedArgs } from '../core-worker/account-operations';
import { Drafts } from '../data/draft.service';
import { CoreWorker } from '../core-worker/core-worker.service';
import type { TodayArgs } from '../core-worker/running-operations';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { typedUnits } from '../visit/check/check-draft';
import { meteringText } from '../visit/check/check-labels';
import { ChoiceField } from '../ui/choice-field';
import { valueOf } from '../ui/loadable';
import { QuantityField } from '../ui/quantity-field';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { TextField } from '../ui/text-field';
import { BenchSession } from './bench.session';
import { newBenchRun, type BenchRunDraft } from './bench-run-draft';
import { Computing } from '../ui/computing';

/** A unit of this size stands for any: bands hardly depend on it. */
const USUAL = { capacityW: 10_550, plateKg: 3.2 };

/** Charge of a line set, what a unit should read today, and how fast to feed: calculators without any record. */
@Component({
  selector: 'hy-bench-run',
  imports: [Computing, ChoiceField, QuantityField, TextField],
  template: `
    @let d = draft();
    <section aria-label="Charge of a line set" i18n-aria-label>
      <h2 i18n>Charge of a line set</h2>
      <div class="fields">
        <hy-quantity-field
          label="Length beyond the plate"
          i18n-label
          kind="length"
          [entry]="d.length"
          (entryChange)="change({ length: $event })"
        />
        <hy-choice-field label="Liquid line" i18n-label [choices]="tubes" [value]="d.liquid" (valueChange)="change({ liquid: $event })" />
        <hy-choice-field
          label="Suction line"
          i18n-label
          [choices]="tubes"
          [value]="d.suction"
          (valueChange)="change({ suction: $event })"
        />
      </div>
      <p class="heading" role="status" [hyComputing]="line()">{{ lineText() }}</p>
    </section>
    <section aria-label="What a unit should read today" i18n-aria-label>
      <h2 i18n>What a unit should read today</h2>
      <div class="fields">
        <hy-choice-field
          label="Metering device"
          i18n-label
          [choices]="devices"
          [value]="d.metering"
          (valueChange)="change({ metering: $event })"
        />
        <hy-quantity-field label="Outdoors" i18n-label kind="temperature" [entry]="d.outdoor" (entryChange)="change({ outdoor: $event })" />
        <hy-quantity-field label="Return air" i18n-label kind="temperature" [entry]="d.indoor" (entryChange)="change({ indoor: $event })" />
        <hy-quantity-field
          label="Return air, wet bulb"
          i18n-label
          kind="temperature"
          [entry]="d.wetBulb"
          (entryChange)="change({ wetBulb: $event })"
        />
      </div>
      @if (bands(); as rows) {
        <dl role="status" [hyComputing]="expected()">
          @for (row of rows; track row.name) {
            <div>
              <dt>{{ row.name }}</dt>
              <dd>{{ row.text }}</dd>
            </div>
          }
        </dl>
        <p i18n class="small">A split of unknown make, nine times of ten. The maker's chart comes first where there is one.</p>
      } @else {
        <p class="second">{{ refused() ?? words.typeTheAirOnBoth }}</p>
      }
    </section>
    <section aria-label="Feeding while it runs" i18n-aria-label>
      <h2 i18n>Feeding while it runs</h2>
      <div class="fields">
        <hy-text-field
          label="Superheat at the compressor, °{{ units.temperatureUnit() }}"
          i18n-label
          [text]="d.superheat"
          (textChange)="change({ superheat: $event })"
        />
        <hy-text-field
          label="Cooling capacity, {{ typed().capacity.name }}"
          i18n-label
          [text]="d.capacity"
          (textChange)="change({ capacity: $event })"
        />
      </div>
      <p class="heading" role="status" [hyComputing]="feed()">{{ feedText() }}</p>
    </section>
  `,
  styleUrl: './measured-pair.css',
  styles: `
    :host {
      gap: 34px;
    }

    section {
      display: grid;
      gap: 12px;
    }

    dl {
      display: grid;
      gap: 0 28px;
      grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
    }

    dl div {
      display: flex;
      justify-content: space-between;
      padding: 7px 0;
      border-bottom: 1px solid var(--line);
    }

    dd {
      font-weight: 650;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchRun {
  protected readonly words = {
    typeTheAirOnBoth: $localize`Type the air on both sides: bands for superheat, subcooling and split follow.`,
  } as const;

  private readonly session = inject(BenchSession);
  private readonly properties = inject(CoreWorker);
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly metric = computed(() => this.preferences().mass === 'kg');
  protected readonly typed = computed(() => typedUnits(this.units.kelvinsInADegree(), this.metric()));
  private readonly stored = inject(Drafts).open<BenchRunDraft>('bench-run', () =>
    newBenchRun(this.metric() ? 'm' : 'ft', this.preferences().temperature),
  );
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly tubes = tubeSizes.map((value) => ({ value, label: $localize`${value} in` }));
  protected readonly devices = meterings.map((value) => ({ value, label: meteringText[value] }));

  private readonly lineQuestion = computed((): ChargeArgs | undefined => {
    const [composition, length] = [this.session.composition(), readQuantity('length', this.draft().length)];
    if (composition === undefined || length.state !== 'good') return undefined;
    const { liquid, suction } = this.draft();
    // the lists offer only what the table has
    const lineSet = { lengthM: length.si, coveredM: 0, liquid: liquid as TubeSize, suction: suction as TubeSize };
    return { composition, plateKg: 1, lineSet };
  });
  protected readonly line = coreQuery(this.properties, 'chargeTarget', this.lineQuestion, this.session.mixture);
  protected readonly lineText = computed(() => {
    const target = valueOf(this.line());
    if (target === undefined) return $localize`Type a length: what the lines take follows.`;
    const lines = target.budget.filter(({ term }) => term === 'liquid-line' || term === 'suction-line');
    const kg = lines.reduce((sum, chargeLine) => sum + chargeLine.kg, 0);
    const sigma = Math.hypot(...lines.map(({ sigmaKg }) => sigmaKg));
    const unit = this.metric() ? 'kg' : 'oz';
    return $localize`${this.units.massText(kg, 'nearest', unit)} ± ${this.units.massText(sigma, 'up', unit)} beyond the plate`;
  });

  private readonly day = computed((): TodayArgs | undefined => {
    const { outdoor, indoor, wetBulb, metering } = this.draft();
    const read = (entry: QuantityEntry) => readQuantity('temperature', entry);
    const [out, inside, wet] = [read(outdoor), read(indoor), read(wetBulb)];
    const [composition, device] = [this.session.composition(), meterings.find((entry) => entry === metering)];
    if (composition === undefined || device === undefined || out.state !== 'good' || inside.state !== 'good' || wet.state !== 'good')
      return undefined;
    return {
      plate: { composition, kind: 'split', metering: device, ...USUAL },
      conditions: { outdoorK: out.si, indoorK: inside.si, indoorWetBulbK: wet.si, atmospherePa: this.units.atmosphere() },
    };
  });
  protected readonly expected = coreQuery(this.properties, 'today', this.day, this.session.mixture);
  protected readonly refused = computed(() => {
    const answer = this.expected();
    return answer.state === 'failed' ? answer.sentence : undefined;
  });
  protected readonly bands = computed(() => {
    const [own, day] = [valueOf(this.expected()), this.day()];
    if (own === undefined || own === null || day === undefined) return undefined;
    const degrees = (K: number) => this.units.decimal(K / this.units.kelvinsInADegree(), 0);
    const step = ({ low, high }: Band) => $localize`${degrees(low)} to ${degrees(high)} °${this.units.temperatureUnit()}`;
    const gauge = ({ low, high }: Band) => $localize`${this.units.pressureShown(low).number} to ${this.units.pressure(high)}`;
    const target = targetSuperheat(day.conditions);
    return [
      { name: $localize`Superheat`, text: step(own.superheat) },
      { name: $localize`Subcooling`, text: step(own.subcooling) },
      { name: $localize`Split`, text: step(own.split) },
      { name: $localize`Suction`, text: gauge(own.suction) },
      { name: $localize`Head`, text: gauge(own.head) },
      ...(day.plate.metering === 'orifice' && target !== undefined
        ? [{ name: $localize`Target superheat by rule of thumb`, text: this.units.temperatureStep(target) }]
        : []),
    ];
  });

  private readonly feedQuestion = computed((): FeedArgs | undefined => {
    const [composition, superheat, capacity] = [
      this.session.composition(),
      numberIn(this.draft().superheat),
      numberIn(this.draft().capacity),
    ];
    if (composition === undefined || superheat === undefined || capacity === undefined || capacity <= 0) return undefined;
    return {
      composition,
      superheatK: superheat * this.units.kelvinsInADegree(),
      massFlow: feedingRules.flowPerWatt * capacity * this.typed().capacity.W,
    };
  });
  protected readonly feed = coreQuery(this.properties, 'feedRate', this.feedQuestion, this.session.mixture);
  protected readonly feedText = computed(() => {
    const rate = valueOf(this.feed());
    if (rate === undefined) return $localize`Type superheat and capacity: how fast liquid may be fed follows.`;
    if (rate.kgPerS <= 0) return $localize`No superheat to spare: do not feed liquid into the suction.`;
    return $localize`${this.units.massText(60 * rate.kgPerS, 'down')} a minute at most, in pulses ${feedingRules.pulseMinutes} min apart`;
  });

  protected change(part: Partial<BenchRunDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }
}

function numberIn(text: string): number | undefined {
  if (text.trim() === '') return undefined;
  try {
    return readNumber(text);
  } catch (error) {
    if (error instanceof CoreError) return undefined;
    throw error;
  }
}
