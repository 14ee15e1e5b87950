import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { usualFlooded } from '@hygromet/core/charge/charge-target';
import { Units } from '../../preferences/units.service';
import { ChoiceField } from '../../ui/choice-field';
import { QuantityField } from '../../ui/quantity-field';
import { TextField } from '../../ui/text-field';
import type { TypedUnits } from '../check/check-draft';
import type { RechargeDraft } from './recharge-draft';

/** What a charge depends on beyond the plate, and how the system stands while it is fed. */
@Component({
  selector: 'hy-charge-fields',
  imports: [ChoiceField, QuantityField, TextField],
  template: `
    <div class="fields">
      <hy-choice-field
        label="The outdoor unit"
        i18n-label
        [choices]="unitChoices"
        [value]="draft().unit"
        (valueChange)="changed.emit({ unit: $event })"
      />
      @if (floods()) {
        <hy-quantity-field
          label="Coldest day that it runs"
          i18n-label
          hint="its head is held by flooding, taken at {{ units.temperature(heldAt) }} of condensing"
          i18n-hint
          kind="temperature"
          [entry]="draft().coldest"
          (entryChange)="changed.emit({ coldest: $event })"
        />
      }
      <hy-choice-field
        label="Hose to the cylinder"
        i18n-label
        [choices]="hoses"
        [value]="draft().hose"
        (valueChange)="changed.emit({ hose: $event })"
      />
      <hy-quantity-field
        label="Oil that was changed"
        i18n-label
        kind="charge"
        [entry]="draft().oil"
        (entryChange)="changed.emit({ oil: $event })"
      />
      <hy-quantity-field
        label="A larger drier takes more"
        i18n-label
        hint="beyond the one that was in it"
        i18n-hint
        kind="charge"
        [entry]="draft().drier"
        (entryChange)="changed.emit({ drier: $event })"
      />
      <hy-choice-field
        label="The system"
        i18n-label
        [choices]="states"
        [value]="draft().running"
        (valueChange)="changed.emit({ running: $event })"
      />
      @if (draft().running === 'running') {
        <hy-text-field
          label="Superheat at the compressor, °{{ units.temperatureUnit() }}"
          i18n-label
          [text]="draft().superheat"
          (textChange)="changed.emit({ superheat: $event })"
        />
        <hy-text-field
          label="Cooling capacity, {{ typed().capacity.name }}"
          i18n-label
          [text]="draft().capacity"
          (textChange)="changed.emit({ capacity: $event })"
        />
      } @else {
        <hy-text-field
          label="System warmer than the cylinder by, °{{ units.temperatureUnit() }}"
          i18n-label
          [text]="draft().warmer"
          (textChange)="changed.emit({ warmer: $event })"
        />
      }
    </div>
  `,
  styles: `
    .fields {
      display: grid;
      align-items: start;
      gap: 14px 16px;
      grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChargeFields {
  readonly draft = input.required<RechargeDraft>();
  /** Whether its head pressure is held by flooding the condenser. */
  readonly floods = input.required<boolean>();
  readonly typed = input.required<TypedUnits>();
  readonly changed = output<Partial<RechargeDraft>>();
  protected readonly units = inject(Units);
  protected readonly heldAt = usualFlooded.setK;
  protected readonly hoses = [
    { value: '1/4', label: $localize`1/4 in, run back` },
    { value: '1/4-left', label: $localize`1/4 in, left full` },
    { value: '3/8', label: $localize`3/8 in, run back` },
    { value: '3/8-left', label: $localize`3/8 in, left full` },
  ];
  protected readonly unitChoices = [
    { value: 'evacuated', label: $localize`was here, evacuated` },
    { value: 'came-charged', label: $localize`new, came charged` },
  ];
  protected readonly states = [
    { value: 'standing', label: $localize`evacuated and standing` },
    { value: 'running', label: $localize`running` },
  ];
}
