import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, model, output } from '@angular/core';
import { quantityUnits, readQuantity, type QuantityEntry } from './quantity-entry';

type Part = 'text' | 'ounces';
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3'] as const;
const MOST_DIGITS = 8;

/**
 * A weight in large keys, for a glove and a sunny yard. The unit is chosen before the first digit and stays until the digits are
 * cleared; pounds and ounces are two boxes, so that 5 lb 5 oz can never be taken for 5.5 lb.
 */
@Component({
  selector: 'hy-weight-pad',
  template: `
    <div class="units" role="radiogroup" [attr.aria-label]="words.unitOf(label())">
      @for (unit of units; track unit[0]) {
        <button
          type="button"
          role="radio"
          [attr.aria-checked]="entry().unit === unit[0]"
          [disabled]="begun() && entry().unit !== unit[0]"
          (click)="choose(unit[0])"
        >
          {{ unit[1] }}
        </button>
      }
    </div>
    <div class="boxes" [class.two]="ounces()">
      <label [class.here]="part() === 'text'">
        <input
          type="text"
          inputmode="none"
          autocomplete="off"
          [attr.aria-label]="label() + (ounces() ? words.pounds : '')"
          [value]="entry().text"
          (focus)="part.set('text')"
          (input)="type('text', $any($event.target).value)"
          (keydown.enter)="entered.emit()"
        />
        <span class="unit">
          @if (ounces()) {
            <ng-container i18n>lb</ng-container>
          } @else {
            {{ entry().unit }}
          }
        </span>
      </label>
      @if (ounces()) {
        <label [class.here]="part() === 'ounces'">
          <input
            type="text"
            inputmode="none"
            autocomplete="off"
            [attr.aria-label]="words.ouncesNamed(label())"
            [value]="entry().ounces"
            (focus)="part.set('ounces')"
            (input)="type('ounces', $any($event.target).value)"
            (keydown.enter)="entered.emit()"
          />
          <span i18n class="unit">oz</span>
        </label>
      }
    </div>
    @if (sentence(); as sentence) {
      <p class="error" role="alert">{{ sentence }}</p>
    } @else if (begun()) {
      <p i18n class="hint">Clear the entry to change units.</p>
    } @else {
      <p i18n class="hint">Gross weight, including the cylinder.</p>
    }
    <div class="keys">
      @for (key of keys; track key) {
        <button type="button" (click)="press(key)">{{ key }}</button>
      }
      @if (ounces() && part() === 'text') {
        <button i18n type="button" class="word" aria-label="On to the ounces" i18n-aria-label (click)="part.set('ounces')">oz</button>
      } @else {
        <button type="button" aria-label="Decimal mark" i18n-aria-label (click)="press('.')">.</button>
      }
      <button type="button" (click)="press('0')">0</button>
      <button type="button" class="word" aria-label="Take the last digit back" i18n-aria-label (click)="back()">⌫</button>
      <button i18n type="button" class="word clear" (click)="clear()">Clear</button>
      <button type="button" class="word enter" [disabled]="busy()" (click)="entered.emit()">{{ enter() }}</button>
    </div>
  `,
  styleUrl: './weight-pad.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeightPad {
  protected readonly words = {
    pounds: $localize`, pounds`,
    unitOf: (label: string): string => $localize`Unit of ${label}`,
    ouncesNamed: (label: string): string => $localize`${label}, ounces`,
  } as const;

  readonly label = input.required<string>();
  readonly entry = model.required<QuantityEntry>();
  /** What the large key at the end says. */
  readonly enter = input($localize`Weighed`);
  readonly busy = input(false);
  /** Set when the person went on without a weight. */
  readonly submitted = input(false);
  readonly problem = input<string | undefined>();
  readonly entered = output();

  protected readonly keys = KEYS;
  protected readonly units = Object.entries(quantityUnits.mass);
  protected readonly ounces = computed(() => this.entry().unit === 'lb-oz');
  protected readonly begun = computed(() => this.entry().text !== '' || this.entry().ounces !== '');
  /** The box that the keys write into; with another unit it is the first again. */
  protected readonly part = linkedSignal<string, Part>({ source: computed(() => this.entry().unit), computation: () => 'text' });
  protected readonly sentence = computed(() => {
    const reading = readQuantity('mass', this.entry());
    if (reading.state === 'bad') return reading.sentence;
    if (reading.state === 'empty' && this.submitted()) return $localize`The ${this.label().toLowerCase()} is missing.`;
    return this.problem();
  });

  protected choose(unit: string): void {
    if (!this.begun()) this.entry.update((entry) => ({ ...entry, unit }));
  }

  protected press(key: string): void {
    const part = this.part();
    this.entry.update((entry) => {
      const text = entry[part];
      if (text.length >= MOST_DIGITS || (key === '.' && text.includes('.'))) return entry;
      return { ...entry, [part]: key === '.' && text === '' ? '0.' : text + key };
    });
  }

  protected type(part: Part, text: string): void {
    this.entry.update((entry) => ({ ...entry, [part]: text }));
  }

  protected back(): void {
    const part = this.part();
    this.entry.update((entry) => ({ ...entry, [part]: entry[part].slice(0, -1) }));
  }

  protected clear(): void {
    this.part.set('text');
    this.entry.update(({ unit }) => ({ unit, text: '', ounces: '' }));
  }
}
