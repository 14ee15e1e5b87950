import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FieldControl } from '../forms/field-control';

let count = 0;

/** Yes or no, as a list of the device: it shows which of the two it is, and both are words. */
@Component({
  selector: 'hy-yes-no-field',
  template: `
    <label [for]="id">{{ label() }}</label>
    <div class="row whole">
      <select
        [id]="id"
        [value]="yes() ? 'yes' : 'no'"
        [disabled]="disabled()"
        [attr.aria-invalid]="told() ? true : null"
        (change)="give($any($event.target).value === 'yes')"
        (blur)="leave()"
      >
        <option i18n value="no" [selected]="!yes()">no</option>
        <option i18n value="yes" [selected]="yes()">yes</option>
      </select>
    </div>
    @if (told(); as sentence) {
      <p class="error" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class YesNoField extends FieldControl<boolean> {
  readonly label = input.required<string>();
  readonly yes = model(false);
  protected readonly held = this.yes;
  protected readonly whenMissing = computed(() => $localize`Say yes or no: ${this.label()}.`);

  protected readonly id = `yes-no-${++count}`;
}
