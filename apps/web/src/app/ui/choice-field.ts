import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';

let count = 0;

export interface Choice {
  readonly value: string;
  readonly label: string;
}

/** One of a few: the device's own list, which a glove can hit. Long lists are searched instead (refrigerant-field). */
@Component({
  selector: 'hy-choice-field',
  template: `
    <label [for]="id" [class.unseen]="hideLabel()">{{ label() }}</label>
    <div class="row whole">
      <select [id]="id" [value]="value()" [attr.aria-invalid]="problem() ? true : null" (change)="value.set($any($event.target).value)">
        @for (choice of choices(); track choice.value) {
          <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.label }}</option>
        }
      </select>
    </div>
    @if (problem(); as sentence) {
      <p class="error" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceField {
  readonly label = input.required<string>();
  /** Where the row beside it says what it is: it is still read out. */
  readonly hideLabel = input(false);
  readonly choices = input.required<readonly Choice[]>();
  readonly problem = input<string | undefined>();
  readonly value = model.required<string>();

  protected readonly id = `choice-${++count}`;
}
