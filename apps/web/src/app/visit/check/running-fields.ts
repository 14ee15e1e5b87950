import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { CheckboxStyles } from '../../ui/library-styles/checkbox-styles';
import { FormsModule } from '@angular/forms';
import { coolsMoistAir, meterings, type UnitKind } from '@hygromet/core/cycle/unit';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { PreferencesService } from '../../preferences/preferences.service';
import { ChoiceField } from '../../ui/choice-field';
import { QuantityField } from '../../ui/quantity-field';
import type { QuantityEntry } from '../../ui/quantity-entry';
import { TextField } from '../../ui/text-field';
import { airNames, readingKinds, SETTLES_MIN, type AirName, type CheckDraft, type TypedReading, type TypedUnits } from './check-draft';
import { airTextOf, meteringText, readingTextOf } from './check-labels';

const BASE: readonly TypedReading[] = ['head', 'suction', 'suctionLine', 'liquidLine', 'supply'];

/** What is read of a running unit, of the air on both sides, and what its plate says. */
@Component({
  selector: 'hy-running-fields',
  imports: [CheckboxStyles, ChoiceField, FormsModule, NzCheckboxModule, QuantityField, TextField],
  template: `
    <hy-checkbox-styles />
    <h3 i18n>Readings</h3>
    <div class="fields">
      @for (name of base; track name) {
        <hy-quantity-field
          [label]="names()[name]"
          [kind]="kinds[name]"
          [entry]="draft().readings[name]"
          (entryChange)="reading(name, $event)"
          [problem]="problems()[name]"
          [hint]="name === wanted() ? words.decidesMostNow : ''"
        />
      }
      @for (name of airs(); track name) {
        <hy-quantity-field
          [label]="airText()[name]"
          kind="temperature"
          [entry]="draft().air[name]"
          (entryChange)="air(name, $event)"
          [problem]="problems()[name]"
        />
      }
      <hy-text-field
        label="Running for, min"
        i18n-label
        [hint]="draft().seen === '' ? words.settledFrom + settlesMin + words.min : words.itsInstrumentsTell"
        [text]="draft().minutes"
        (textChange)="change({ minutes: $event })"
        [problem]="problems()['minutes']"
      />
    </div>
    <div class="switches">
      <label i18n nz-checkbox for="check-rain" nzId="check-rain" [ngModel]="draft().rain" (ngModelChange)="change({ rain: $event })"
        >Rain or dew on the condenser</label
      >
      @if (canHeat()) {
        <label
          i18n
          nz-checkbox
          for="check-heating"
          nzId="check-heating"
          [ngModel]="draft().heating"
          (ngModelChange)="change({ heating: $event })"
          >It heats</label
        >
      }
    </div>
    <h3 i18n>What decides more</h3>
    <div class="fields">
      @for (name of more(); track name) {
        <hy-quantity-field
          [label]="names()[name]"
          [kind]="kinds[name]"
          [entry]="draft().readings[name]"
          (entryChange)="reading(name, $event)"
          [problem]="problems()[name]"
          [hint]="name === wanted() ? words.decidesMostNow : ''"
        />
      }
      @for (item of gauges; track item.side) {
        <hy-text-field
          label="{{ item.name }} gauge at zero, {{ units().zero.name }}"
          i18n-label
          [hint]="wanted() === item.reading ? words.decidesMostNow : words.openToTheAir"
          [text]="draft().zeros[item.side]"
          (textChange)="zero(item.side, $event)"
          [problem]="problems()[item.reading]"
        />
      }
    </div>
    <h3 i18n>Plate</h3>
    <div class="fields">
      <hy-choice-field
        label="Metering device"
        i18n-label
        [choices]="devices"
        [value]="draft().metering"
        (valueChange)="change({ metering: $event })"
      />
      <hy-text-field
        label="Cooling capacity, {{ units().capacity.name }}"
        i18n-label
        [hint]="capacityHint()"
        [text]="draft().capacity"
        (textChange)="change({ capacity: $event })"
        [problem]="problems()['capacity']"
      />
      <hy-text-field
        label="Subcooling on the plate, °{{ preferences().temperature }}"
        i18n-label
        hint="the usual where it says none"
        i18n-hint
        [text]="draft().subcooling"
        (textChange)="change({ subcooling: $event })"
        [problem]="problems()['subcooling']"
      />
    </div>
  `,
  styleUrl: '../stages/stage.css',
  styles: `
    :host {
      gap: 12px;
    }

    .fields {
      display: grid;
      align-items: start;
      gap: 12px 16px;
      grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
    }

    .switches {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 28px;
    }

    .switches label {
      font-size: 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunningFields {
  protected readonly words = {
    decidesMostNow: $localize`decides most now`,
    settledFrom: $localize`settled from `,
    min: $localize` min`,
    itsInstrumentsTell: $localize`its instruments tell`,
    openToTheAir: $localize`open to the air`,
  } as const;

  readonly draft = model.required<CheckDraft>();
  readonly problems = input<Readonly<Record<string, string>>>({});
  /** The reading that would decide most now. */
  readonly wanted = input<string | undefined>(undefined);
  readonly canHeat = input(false);
  readonly kind = input<UnitKind | undefined>(undefined);
  readonly units = input.required<TypedUnits>();
  /** Capacity by its charge, where the plate is not read. */
  readonly usualCapacity = input<string>('');
  protected readonly preferences = inject(PreferencesService).current;
  protected readonly base = BASE;
  protected readonly more = computed(() =>
    (Object.keys(readingKinds) as TypedReading[]) // the keys of the table
      .filter((name) => !BASE.includes(name) && (this.humid() || name !== 'supplyWetBulb')),
  );
  protected readonly gauges = [
    { side: 'head', name: $localize`Head`, reading: 'headZero' },
    { side: 'suction', name: $localize`Suction`, reading: 'suctionZero' },
  ] as const;
  private readonly humid = computed(() => coolsMoistAir(this.kind()));
  protected readonly airs = computed(() => airNames.filter((name) => this.humid() || name !== 'wetBulb'));
  protected readonly names = computed(() => readingTextOf(this.kind()));
  protected readonly airText = computed(() => airTextOf(this.kind()));
  protected readonly kinds = readingKinds;
  protected readonly settlesMin = SETTLES_MIN;
  protected readonly devices = [
    { value: '', label: $localize`not seen yet` },
    ...meterings.map((value) => ({ value, label: meteringText[value] })),
  ];
  protected readonly capacityHint = computed(() =>
    this.usualCapacity() === '' ? '' : $localize`${this.usualCapacity()} by its charge, where left empty`,
  );

  protected change(part: Partial<CheckDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...part }));
  }

  protected reading(name: TypedReading, entry: QuantityEntry): void {
    this.change({ readings: { ...this.draft().readings, [name]: entry } });
  }

  protected air(name: AirName, entry: QuantityEntry): void {
    this.change({ air: { ...this.draft().air, [name]: entry } });
  }

  protected zero(side: keyof CheckDraft['zeros'], text: string): void {
    this.change({ zeros: { ...this.draft().zeros, [side]: text } });
  }
}
