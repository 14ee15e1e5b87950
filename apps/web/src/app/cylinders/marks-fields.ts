import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ControlContainer, FormGroupDirective, ReactiveFormsModule } from '@angular/forms';
import { ChoiceField } from '../ui/choice-field';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { YesNoField } from '../ui/yes-no-field';
import { portNames, stampNames } from './objection-labels';

/** The less common marks of a collar: fields for the grid of a form, whose controls are those of a `MarksDraft`. */
@Component({
  selector: 'hy-marks-fields',
  imports: [ChoiceField, QuantityField, ReactiveFormsModule, TextField, YesNoField],
  template: `
    <hy-text-field label="Reserved for customer" placeholder="none" formControlName="owner" />
    <hy-choice-field label="Stamp" [choices]="stampChoices" formControlName="stampedBy" />
    <hy-choice-field label="Ports" [choices]="portChoices" formControlName="ports" />
    <hy-text-field label="Thread" placeholder="as at the valve" formControlName="thread" />
    <hy-quantity-field label="Test pressure" kind="service-pressure" formControlName="testPressure" />
    <hy-quantity-field label="Relief valve set at" kind="service-pressure" formControlName="reliefPressure" />
    <hy-text-field label="Years between requalifications" hint="5 in the US; elsewhere as stamped" formControlName="validYears" />
    @if (unconfirmed()) {
      <hy-yes-no-field label="Unusual collar data read again, and right" formControlName="confirmed" />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  viewProviders: [{ provide: ControlContainer, useExisting: FormGroupDirective }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksFields {
  /** Its collar holds what hardly stands on one, and nobody has said yet that it does. */
  readonly unconfirmed = input(false);
  protected readonly stampChoices = Object.entries(stampNames).map(([value, label]) => ({ value, label }));
  protected readonly portChoices = Object.entries(portNames).map(([value, label]) => ({ value, label }));
}
