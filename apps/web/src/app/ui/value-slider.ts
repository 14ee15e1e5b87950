import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

/** A value on a line between its ends, for a finger or the arrow keys; the number itself stands in a field beside it. */
@Component({
  selector: 'hy-value-slider',
  template: `
    <input
      type="range"
      [attr.aria-label]="label()"
      [attr.aria-valuetext]="text()"
      [min]="min()"
      [max]="max()"
      [step]="step()"
      [value]="value()"
      [style.--share]="share()"
      (input)="moved.emit(+$any($event.target).value)"
    />
    <div class="ends" aria-hidden="true">
      <span>{{ from() }}</span>
      <span>{{ to() }}</span>
    </div>
  `,
  styleUrl: './value-slider.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ValueSlider {
  readonly label = input.required<string>();
  readonly min = input.required<number>();
  readonly max = input.required<number>();
  readonly step = input.required<number>();
  readonly value = input.required<number>();
  /** The value as it is read aloud. */
  readonly text = input.required<string>();
  /** What stands at the ends. */
  readonly from = input('');
  readonly to = input('');
  readonly moved = output<number>();

  protected readonly share = computed(() => `${((this.value() - this.min()) / (this.max() - this.min())) * 100}%`);
}
