import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { FieldControl } from '../forms/field-control';
import { RadioStyles } from './library-styles/radio-styles';

let count = 0;

/** Yes or no: two keys, one touch; both are words, and the one that holds is marked. */
@Component({
  selector: 'hy-yes-no-field',
  imports: [FormsModule, NzRadioModule, RadioStyles],
  template: `
    <hy-radio-styles />
    <span class="label" [id]="id">{{ label() }}</span>
    <nz-radio-group
      role="radiogroup"
      [nzName]="id + '-of'"
      [attr.aria-labelledby]="id"
      [attr.aria-invalid]="told() ? true : null"
      [ngModel]="yes()"
      [ngModelOptions]="ALONE"
      [disabled]="disabled()"
      (ngModelChange)="give($event)"
      (focusout)="leave()"
    >
      <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- the library draws its input in it -->
      <label i18n nz-radio-button [nzValue]="false">no</label>
      <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- the library draws its input in it -->
      <label i18n nz-radio-button [nzValue]="true">yes</label>
    </nz-radio-group>
    @if (told(); as sentence) {
      <p class="error" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './field.css',
  styles: `
    nz-radio-group label {
      display: grid;
      margin-bottom: 0;
      color: var(--ink);
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class YesNoField extends FieldControl<boolean> {
  readonly label = input.required<string>();
  readonly yes = model(false);
  protected readonly held = this.yes;
  protected readonly whenMissing = computed(() => $localize`Say yes or no: ${this.label()}.`);

  protected readonly id = `yes-no-${++count}`;
  /** It is no control of the form around it: the whole field is. */
  protected readonly ALONE = { standalone: true };
}
