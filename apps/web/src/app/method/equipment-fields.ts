import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ChoiceField } from '../ui/choice-field';
import { MethodSession } from './method.session';

/** What is carried to the unit: the estimate of minutes and of the head pressure follows from it. */
@Component({
  selector: 'hy-equipment-fields',
  imports: [ChoiceField],
  template: `
    @let draft = session.draft();
    <hy-choice-field
      label="Machine"
      i18n-label
      [choices]="machines"
      [value]="draft.machine"
      (valueChange)="session.change({ machine: $any($event) })"
    />
    <hy-choice-field
      label="Machine built"
      i18n-label
      [choices]="builts"
      [value]="draft.built"
      (valueChange)="session.change({ built: $any($event) })"
    />
    <hy-choice-field
      label="Valve cores"
      i18n-label
      [choices]="cores"
      [value]="draft.cores"
      (valueChange)="session.change({ cores: $any($event) })"
    />
    <hy-choice-field
      label="Hoses"
      i18n-label
      [choices]="hoses"
      [value]="draft.hoses"
      (valueChange)="session.change({ hoses: $any($event) })"
    />
    <hy-choice-field
      label="Cylinder"
      i18n-label
      [choices]="coolings"
      [value]="draft.cooling"
      (valueChange)="session.change({ cooling: $any($event) })"
    />
  `,
  styles: `
    @media print {
      :host {
        display: none;
      }
    }

    :host {
      display: grid;
      gap: 10px 12px;
      grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EquipmentFields {
  protected readonly session = inject(MethodSession);
  protected readonly machines = [
    { value: 'two-cylinder', label: $localize`two cylinders` },
    { value: 'one-cylinder', label: $localize`one cylinder` },
  ];
  protected readonly builts = [
    { value: 'after-1993', label: $localize`after Nov 1993` },
    { value: 'before-1993', label: $localize`before Nov 1993` },
  ];
  protected readonly cores = [
    { value: 'out', label: $localize`taken out` },
    { value: 'in', label: $localize`left in` },
  ];
  protected readonly hoses = [
    { value: 'three-eighths', label: $localize`3/8 in` },
    { value: 'quarter-inch', label: $localize`1/4 in` },
  ];
  protected readonly coolings = [
    { value: 'still', label: $localize`in still air` },
    { value: 'fan', label: $localize`with a fan` },
    { value: 'water', label: $localize`in water` },
    { value: 'ice', label: $localize`in ice water` },
  ];
}
