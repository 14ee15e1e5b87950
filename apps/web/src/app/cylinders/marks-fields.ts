import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { ApiError } from '../data/api-error';
import { ChoiceField } from '../ui/choice-field';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { testPressureProblem, yearsProblem, type MarksDraft } from './marks-draft';
import { portNames, stampNames } from './objection-labels';

/** The less common marks of a collar: fields for the grid of a form. */
@Component({
  selector: 'hy-marks-fields',
  imports: [ChoiceField, QuantityField, TextField],
  template: `
    @let d = draft();
    <hy-text-field
      label="Reserved for customer"
      placeholder="none"
      [text]="d.owner"
      (textChange)="changed.emit({ owner: $event })"
      [problem]="problems()['/marks/owner']"
    />
    <hy-choice-field label="Stamp" [choices]="stampChoices" [value]="d.stampedBy" (valueChange)="changed.emit({ stampedBy: $event })" />
    <hy-choice-field label="Ports" [choices]="portChoices" [value]="d.ports" (valueChange)="changed.emit({ ports: $event })" />
    <hy-text-field
      label="Thread"
      placeholder="as at the valve"
      [text]="d.thread"
      (textChange)="changed.emit({ thread: $event })"
      [problem]="problems()['/marks/thread']"
    />
    <hy-quantity-field
      label="Test pressure"
      kind="service-pressure"
      [required]="false"
      [entry]="d.testPressure"
      (entryChange)="changed.emit({ testPressure: $event })"
      [submitted]="submitted()"
      [problem]="testProblem() ?? problems()['/marks/testPressurePa']"
    />
    <hy-quantity-field
      label="Relief valve set at"
      kind="service-pressure"
      [required]="false"
      [entry]="d.reliefPressure"
      (entryChange)="changed.emit({ reliefPressure: $event })"
      [submitted]="submitted()"
      [problem]="problems()['/marks/reliefPressurePa']"
    />
    <hy-text-field
      label="Years between requalifications"
      hint="5 in the US; elsewhere as stamped"
      [text]="d.validYears"
      (textChange)="changed.emit({ validYears: $event })"
      [submitted]="submitted()"
      [problem]="years() ?? problems()['/marks/validYears']"
    />
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksFields {
  readonly draft = input.required<MarksDraft>();
  readonly servicePressurePa = input<number | undefined>();
  readonly submitted = input(false);
  /** What the server refused, by pointer. */
  readonly problems = input<ApiError['fields']>({});
  readonly changed = output<Partial<MarksDraft>>();

  protected readonly stampChoices = Object.entries(stampNames).map(([value, label]) => ({ value, label }));
  protected readonly portChoices = Object.entries(portNames).map(([value, label]) => ({ value, label }));
  protected readonly years = computed(() => yearsProblem(this.draft()));
  protected readonly testProblem = computed(() => testPressureProblem(this.draft(), this.servicePressurePa()));
}
