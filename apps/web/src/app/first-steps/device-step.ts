import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ChoiceField } from '../ui/choice-field';
import { PersonField } from '../preferences/person-field';
import type { Preferences } from '../preferences/preferences';
import { decimalMarks, massUnits, pressureUnits, temperatureUnits } from '../preferences/preference-choices';
import { PreferencesService } from '../preferences/preferences.service';

/** Who works on this device, and in which units. */
@Component({
  selector: 'hy-device-step',
  imports: [ChoiceField, PersonField],
  template: `
    <hy-person-field />
    <hy-choice-field
      label="Weight unit"
      i18n-label
      [choices]="massUnits"
      [value]="preferences().mass"
      (valueChange)="prefer('mass', $event)"
    />
    <hy-choice-field
      label="Temperature"
      i18n-label
      [choices]="temperatureUnits"
      [value]="preferences().temperature"
      (valueChange)="prefer('temperature', $event)"
    />
    <hy-choice-field
      label="Pressure"
      i18n-label
      [choices]="pressureUnits"
      [value]="preferences().pressure"
      (valueChange)="prefer('pressure', $event)"
    />
    <hy-choice-field
      label="Decimal mark"
      i18n-label
      [choices]="decimalMarks"
      [value]="preferences().decimalMark"
      (valueChange)="prefer('decimalMark', $event)"
    />
    <div class="actions"><ng-content /></div>
  `,
  styles: `
    :host {
      display: grid;
      max-width: 560px;
      gap: 18px;
    }

    .actions {
      display: flex;
      gap: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceStep {
  private readonly service = inject(PreferencesService);
  protected readonly preferences = this.service.current;
  protected readonly massUnits = massUnits;
  protected readonly temperatureUnits = temperatureUnits;
  protected readonly pressureUnits = pressureUnits;
  protected readonly decimalMarks = decimalMarks;

  /** The field of that name offers only the values of that preference. */
  protected prefer(name: keyof Preferences, value: string): void {
    this.service.change({ [name]: value });
  }
}
