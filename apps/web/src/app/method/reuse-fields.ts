import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ChoiceField } from '../ui/choice-field';
import { TextField } from '../ui/text-field';
import { MethodSession } from './method.session';

/** Where the recovered refrigerant goes, and what a test of its acid has found: they decide the cylinder. */
@Component({
  selector: 'hy-reuse-fields',
  imports: [ChoiceField, TextField],
  template: `
    @let draft = session.draft();
    <hy-choice-field
      label="Recovered refrigerant goes"
      i18n-label
      [choices]="destinations"
      [value]="draft.destination"
      (valueChange)="session.change({ destination: $any($event) })"
    />
    @if (asksAcid()) {
      <hy-choice-field
        label="Acid test"
        i18n-label
        [choices]="findings"
        [value]="draft.acid"
        (valueChange)="session.change({ acid: $any($event) })"
      />
      <hy-text-field
        label="Kit and date"
        i18n-label
        placeholder="such as: oil kit, Nov 29"
        i18n-placeholder
        [text]="draft.acidTest"
        (textChange)="session.change({ acidTest: $event })"
      />
    }
  `,
  styles: `
    @media print {
      :host {
        display: none;
      }
    }
  `,
  styleUrl: '../ui/field-grid.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReuseFields {
  protected readonly session = inject(MethodSession);
  protected readonly asksAcid = computed(() => this.session.keptApart() || this.session.draft().acid !== 'not-tested');
  protected readonly destinations = [
    { value: 'unknown', label: $localize`not decided` },
    { value: 'same-system', label: $localize`back into this system` },
    { value: 'other-system', label: $localize`into another system of the owner` },
    { value: 'reclaim', label: $localize`to the reclaimer` },
  ];
  protected readonly findings = [
    { value: 'not-tested', label: $localize`not tested` },
    { value: 'none', label: $localize`no acid` },
    { value: 'acid', label: $localize`acid found` },
  ];
}
