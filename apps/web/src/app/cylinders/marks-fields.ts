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
    <hy-text-field label="Reserved for customer" i18n-label placeholder="none" i18n-placeholder formControlName="owner" />
    <hy-choice-field label="Stamp" i18n-label [choices]="stampChoices" formControlName="stampedBy" />
    <hy-choice-field label="Ports" i18n-label [choices]="portChoices" formControlName="ports" />
    <hy-text-field label="Thread" i18n-label placeholder="as at the valve" i18n-placeholder formControlName="thread" />
    <hy-quantity-field label="Test pressure" i18n-label kind="service-pressure" formControlName="testPressure" />
    <hy-quantity-field label="Relief valve set at" i18n-label kind="service-pressure" formControlName="reliefPressure" />
    <hy-text-field
      label="Years between requalifications"
      i18n-label
      hint="5 in the US; elsewhere as stamped"
      i18n-hint
      formControlName="validYears"
    />
    @if (unconfirmed()) {
      <hy-yes-no-field label="Unusual collar data read again, and right" i18n-label formControlName="confirmed" />
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
