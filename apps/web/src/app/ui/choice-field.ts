import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FieldControl } from '../forms/field-control';
import { ListAfterPaint } from './list-after-paint';

let count = 0;

export interface Choice {
  readonly value: string;
  readonly label: string;
  /** Choices of one group stand together under its name. */
  readonly group?: string;
}

/** One of a few: the device's own list, which a glove can hit. Long lists are searched instead (refrigerant-field). */
@Component({
  selector: 'hy-choice-field',
  imports: [ListAfterPaint],
  template: `
    <label [for]="id" [class.unseen]="hideLabel()">{{ label() }}</label>
    <div class="row whole">
      <select
        [id]="id"
        [value]="value()"
        [disabled]="disabled()"
        [attr.aria-invalid]="sentence() ? true : null"
        (change)="give($any($event.target).value)"
        (blur)="leave()"
      >
        @for (choice of alone(); track choice.value) {
          <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.label }}</option>
        }
        @for (group of groups(); track group.name) {
          <optgroup [label]="group.name">
            @for (choice of group.choices; track choice.value) {
              <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.label }}</option>
            }
          </optgroup>
        }
      </select>
    </div>
    @if (sentence(); as told) {
      <p class="error" role="alert">{{ told }}</p>
    }
  `,
  styleUrl: './field.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceField extends FieldControl<string> {
  readonly label = input.required<string>();
  /** Where the row beside it says what it is: it is still read out. */
  readonly hideLabel = input(false);
  readonly choices = input.required<readonly Choice[]>();
  readonly problem = input<string | undefined>();
  /** What is said when nothing is chosen; otherwise made from the label. */
  readonly missing = input('');
  readonly value = model('');
  protected readonly alone = computed(() => this.choices().filter(({ group }) => group === undefined));
  protected readonly groups = computed(() =>
    [...new Set(this.choices().flatMap(({ group }) => group ?? []))].map((name) => ({
      name,
      choices: this.choices().filter(({ group }) => group === name),
    })),
  );
  protected readonly held = this.value;
  protected readonly whenMissing = () => this.missing() || $localize`Choose the ${this.label().toLowerCase()}.`;
  protected readonly sentence = computed(() => this.told() ?? this.problem());

  protected readonly id = `choice-${++count}`;
}
