import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { FieldControl } from '../forms/field-control';
import { Units } from '../preferences/units.service';
import { ListAfterPaint } from './list-after-paint';
import { emptyEntry, quantityUnits, readQuantity, type QuantityEntry, type QuantityKind } from './quantity-entry';

let count = 0;

/** A quantity as it is typed: the unit stands beside the digits, and what is wrong stands under them. */
@Component({
  selector: 'hy-quantity-field',
  imports: [ListAfterPaint],
  template: `
    <label [for]="id">{{ label() }}</label>
    <div class="row">
      <input
        [id]="id"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        [value]="entry().text"
        [disabled]="disabled()"
        [attr.aria-invalid]="sentence() ? true : null"
        [attr.aria-describedby]="sentence() ? id + '-error' : null"
        (input)="change({ text: text($event) })"
        (blur)="touched.set(true); leave()"
      />
      @if (entry().unit === 'lb-oz') {
        <span i18n class="unit">lb</span>
        <input
          type="text"
          inputmode="decimal"
          autocomplete="off"
          [attr.aria-label]="words.ouncesNamed(label())"
          [value]="entry().ounces"
          (input)="change({ ounces: text($event) })"
          (blur)="touched.set(true); leave()"
        />
      }
      <select [attr.aria-label]="words.unitOf(label())" [value]="entry().unit" (change)="change({ unit: text($event), ounces: '' })">
        @for (unit of units(); track unit[0]) {
          <option [value]="unit[0]" [selected]="unit[0] === entry().unit">{{ unit[1] }}</option>
        }
      </select>
    </div>
    @if (sentence(); as sentence) {
      <p class="error" role="alert" [id]="id + '-error'">{{ sentence }}</p>
    } @else if (hint()) {
      <p class="hint">{{ hint() }}</p>
    }
    <ng-content />
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class QuantityField extends FieldControl<QuantityEntry> {
  protected readonly words = {
    ouncesNamed: (label: string): string => $localize`${label}, ounces`,
    unitOf: (label: string): string => $localize`Unit of ${label}`,
  };

  readonly label = input.required<string>();
  readonly kind = input.required<QuantityKind>();
  readonly hint = input('');
  /** A sentence of the page or of the server about this field. */
  readonly problem = input<string | undefined>();
  /** Set when the person tried to send: an empty field is then named as well. */
  readonly submitted = input(false);
  readonly required = input(true);
  /** What is said when it is left empty; otherwise made from the label. */
  readonly missing = input('');
  readonly entry = model<QuantityEntry>(emptyEntry('lb'));
  protected readonly held = this.entry;
  protected readonly whenMissing = () => this.missing() || $localize`The ${this.label().toLowerCase()} is missing.`;

  private readonly atmosphere = inject(Units).atmosphere;
  protected readonly id = `quantity-${++count}`;
  protected readonly touched = signal(false);
  protected readonly units = computed(() => Object.entries(quantityUnits[this.kind()]));
  protected readonly sentence = computed(() => {
    if (this.isBound) return this.told() ?? this.problem();
    const reading = readQuantity(this.kind(), this.entry(), this.atmosphere());
    if (reading.state === 'bad' && (this.touched() || this.submitted())) return reading.sentence;
    if (reading.state === 'empty' && this.submitted() && this.required()) return this.whenMissing();
    return this.problem();
  });

  protected change(part: Partial<QuantityEntry>): void {
    this.give({ ...this.entry(), ...part });
  }

  protected text = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value; // these listeners sit on no other elements
}
