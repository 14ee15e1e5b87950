import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { FormBuilder, ReactiveFormsModule, type AbstractControl, type ValidationErrors } from '@angular/forms';
import type { CurrentOrganisation } from '@hygromet/contract/organisation';
import { CoreError } from '@hygromet/core/errors';
import { lengthFrom, lengthIn } from '@hygromet/core/units/length';
import { altitude } from '@hygromet/core/units/quantity';
import { readNumber } from '@hygromet/core/units/read-number';
import { unless } from '@hygromet/core/unless';
import { NzFormModule } from 'ng-zorro-antd/form';
import { NzInputModule } from 'ng-zorro-antd/input';
import { errorIn, mutation } from '../data/mutation';
import { ServerData } from '../data/server-data.service';
import { namesIn } from '../preferences/organisation-form';
import { filled } from '../forms/validators';
import { PreferencesService } from '../preferences/preferences.service';
import { FormStyles } from '../ui/library-styles/form-styles';
import { ListAfterPaint } from '../ui/list-after-paint';

/** m, where somebody could work; nothing where it is none. The field offers only these units. */
const altitudeOf = (text: string, unit: string): number | undefined =>
  unless(CoreError, () => altitude(lengthFrom(readNumber(text), unit === 'ft' ? 'ft' : 'm')));

function onEarth(group: AbstractControl): ValidationErrors | null {
  const { altitude: text, unit } = group.getRawValue() as { altitude: string; unit: string };
  return altitudeOf(text, unit) === undefined ? { altitude: true } : null;
}

/** Name, altitude and people of the firm. */
@Component({
  selector: 'hy-firm-step',
  imports: [FormStyles, ListAfterPaint, NzFormModule, NzInputModule, ReactiveFormsModule],
  template: `
    <hy-form-styles />
    <form nz-form nzLayout="vertical" [formGroup]="form" (ngSubmit)="save()">
      <nz-form-item>
        <nz-form-label i18n nzFor="firm-name">Name of the firm</nz-form-label>
        <nz-form-control
          nzErrorTip="The name of the firm is missing: it stands on papers and records."
          i18n-nzErrorTip
          nzExtra="on labels, records and certificates"
          i18n-nzExtra
        >
          <input nz-input id="firm-name" formControlName="name" autocomplete="organization" />
        </nz-form-control>
      </nz-form-item>
      <nz-form-item>
        <nz-form-label i18n nzFor="firm-altitude">Altitude</nz-form-label>
        <nz-form-control
          [nzValidateStatus]="form.hasError('altitude') && form.touched ? 'error' : ''"
          nzErrorTip="The altitude is a number from −450 to 9000 m (−1476 to 29 528 ft)."
          i18n-nzErrorTip
          nzExtra="gauges read from the air of the place: at 5000 ft a gauge at full vacuum shows 24.9 inHg"
          i18n-nzExtra
        >
          <div class="altitude">
            <input nz-input id="firm-altitude" inputmode="decimal" formControlName="altitude" autocomplete="off" />
            <select formControlName="unit" aria-label="Unit of the altitude" i18n-aria-label>
              <option i18n value="ft">ft</option>
              <option i18n value="m">m</option>
            </select>
          </div>
        </nz-form-control>
      </nz-form-item>
      <nz-form-item>
        <nz-form-label i18n nzFor="firm-people">People</nz-form-label>
        <nz-form-control nzExtra="one on each line; they are offered as technicians, and who made an entry is kept with it" i18n-nzExtra>
          <textarea nz-input id="firm-people" rows="4" formControlName="people"></textarea>
        </nz-form-control>
      </nz-form-item>
      @if (refused(); as sentence) {
        <p class="refused" role="alert">{{ sentence }}</p>
      }
      <div class="actions">
        <button i18n type="submit" class="button main" [disabled]="busy()">Save and go on</button>
        <ng-content />
      </div>
    </form>
  `,
  styleUrl: './step.css',
  styles: `
    .altitude {
      display: flex;
      gap: 12px;
    }

    select {
      padding: 0 10px;
      border: 1px solid var(--line-strong);
      border-radius: var(--radius);
      background: var(--sheet);
      color: var(--ink);
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirmStep {
  readonly organisation = input.required<CurrentOrganisation>();
  readonly saved = output();

  private readonly preferences = inject(PreferencesService);
  private readonly builder = inject(FormBuilder).nonNullable;
  protected readonly form = this.builder.group({ name: ['', [filled()]], altitude: '', unit: 'ft', people: '' }, { validators: onEarth });
  private readonly serverData = inject(ServerData);
  private readonly saving = mutation(this.serverData.saveOrganisation$, ({ people: [first] }) => {
    // a firm of one person: there is nobody else who could work here
    if (this.preferences.current().person.trim() === '' && first !== undefined && namesIn(this.form.getRawValue().people).length === 1)
      this.preferences.change({ person: first });
    this.saved.emit();
  });
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly refused = computed(() => errorIn(this.saving.state()));

  constructor() {
    // somebody else has saved meanwhile: their state is read, what is typed stays, and it is sent again by a person
    effect(() => {
      const state = this.saving.state();
      if (state.state === 'refused' && state.apiError.code === 'changed-meanwhile') untracked(() => this.serverData.readAgain());
    });
    effect(() => {
      const { name, altitudeM, people, version } = this.organisation();
      if (this.form.dirty) return; // what was typed stays
      const unit = this.form.getRawValue().unit;
      this.form.setValue({
        name: version > 1 ? name : '',
        altitude: String(Math.round(lengthIn(altitudeM, unit === 'ft' ? 'ft' : 'm'))),
        unit,
        people: people.join('\n'),
      });
    });
  }

  protected save(): void {
    this.form.markAllAsTouched();
    for (const control of Object.values(this.form.controls)) control.updateValueAndValidity();
    const { name, altitude: text, unit, people } = this.form.getRawValue();
    const altitudeM = altitudeOf(text, unit);
    if (this.form.invalid || altitudeM === undefined) return;
    const { version, demo: _, changedAt: _at, changedBy: _by, ...settings } = this.organisation();
    const recordedBy = this.preferences.current().person.trim() || namesIn(people)[0] || name.trim();
    this.saving.send({
      version,
      settings: { ...settings, name: name.trim(), altitudeM, people: namesIn(people) },
      recordedBy,
    });
  }
}
