import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { QuantityEntry, QuantityKind } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { ValueSlider } from '../ui/value-slider';

/** The line on which a value can be dragged, with what is read at its place and its ends. */
export interface Rail {
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly value: number;
  readonly text: string;
  readonly from: string;
  readonly to: string;
}

/** A quantity that can lead: by number, or along its line. */
@Component({
  selector: 'hy-lead-field',
  imports: [QuantityField, ValueSlider],
  template: `
    <hy-quantity-field [label]="label()" [kind]="kind()" [entry]="entry()" (entryChange)="typed.emit($event)" />
    @if (rail(); as r) {
      <hy-value-slider
        [label]="label()"
        [min]="r.min"
        [max]="r.max"
        [step]="r.step"
        [value]="r.value"
        [text]="r.text"
        [from]="r.from"
        [to]="r.to"
        (moved)="moved.emit($event)"
      />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeadField {
  readonly label = input.required<string>();
  readonly kind = input.required<QuantityKind>();
  readonly entry = input.required<QuantityEntry>();
  readonly rail = input<Rail | undefined>();
  readonly typed = output<QuantityEntry>();
  readonly moved = output<number>();
}
