import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FieldControl } from '../forms/field-control';

let count = 0;

/** A line of text, a day or an hour, with its sentence under it. */
@Component({
  selector: 'hy-text-field',
  template: `
    <label [for]="id">{{ label() }}</label>
    <div class="row">
      <input
        [id]="id"
        [type]="type()"
        autocomplete="off"
        [placeholder]="placeholder()"
        [value]="text()"
        [attr.aria-invalid]="sentence() ? true : null"
        [attr.aria-describedby]="sentence() ? id + '-error' : null"
        [disabled]="disabled()"
        (input)="typed($any($event.target).value)"
        (blur)="leave()"
      />
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
export class TextField extends FieldControl<string> {
  readonly label = input.required<string>();
  readonly placeholder = input('');
  readonly hint = input('');
  readonly problem = input<string | undefined>();
  readonly submitted = input(false);
  /** What is said when it is left empty; otherwise made from the label. */
  readonly missing = input('');
  /** A day is chosen with the device's own calendar and read as "2026-11-26", an hour as "07:40". */
  readonly type = input<'text' | 'date' | 'time'>('text');
  readonly text = model('');
  protected readonly held = this.text;
  protected readonly whenMissing = () => this.missing() || $localize`The ${this.label().toLowerCase()} is missing.`;

  protected readonly id = `text-${++count}`;
  protected readonly sentence = computed(() => {
    if (this.isBound) return this.told() ?? this.problem();
    return this.submitted() && this.text().trim() === '' ? this.whenMissing() : this.problem();
  });

  /** A day that is half typed is none: the one before stays until it is whole. */
  protected typed(text: string): void {
    if (this.type() !== 'date' || text !== '') this.give(text);
  }
}
