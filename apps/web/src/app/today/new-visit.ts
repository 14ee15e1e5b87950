import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';

import { Router } from '@angular/router';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { draftForm } from '../forms/draft-form';
import { serverProblems } from '../forms/server-problems';
import { filled } from '../forms/validators';
import { PreferencesService } from '../preferences/preferences.service';
import { ChoiceField } from '../ui/choice-field';
import { dayOf } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { TextField } from '../ui/text-field';

interface VisitDraft {
  readonly key: string;
  readonly system: string;
  readonly day: string;
  readonly time: string;
  readonly person: string;
  readonly reason: string;
}

/** A visit is added: to which system, when, who goes and why. */
@Component({
  selector: 'hy-new-visit',
  imports: [ChoiceField, ReactiveFormsModule, TextField],
  template: `
    <section aria-label="Add a visit" i18n-aria-label>
      <h2 i18n>Add a visit</h2>
      <form novalidate [formGroup]="form" (ngSubmit)="open()">
        <hy-choice-field
          label="System"
          i18n-label
          missing="Choose the system that is visited."
          i18n-missing
          [choices]="systemChoices()"
          formControlName="system"
        />
        <hy-text-field label="Reason" i18n-label placeholder="such as: no cooling since Monday" i18n-placeholder formControlName="reason" />
        <div class="together">
          <hy-text-field label="Day" i18n-label type="date" formControlName="day" />
          <hy-text-field label="Time" i18n-label type="time" formControlName="time" />
          <hy-text-field label="Technician" i18n-label formControlName="person" />
        </div>
        @if (refused(); as sentence) {
          <p role="alert" class="over">{{ sentence }}</p>
        }
        <div class="actions">
          <button type="submit" class="button main" [disabled]="busy()">
            @if (busy()) {
              <ng-container i18n>Opening</ng-container>
            } @else {
              <ng-container i18n>Open the visit</ng-container>
            }
          </button>
        </div>
      </form>
    </section>
  `,
  styleUrl: '../ui/form.css',
  styles: `
    section {
      padding: 0 0 20px;
      border-bottom: 1px solid var(--line);
    }

    h2 {
      font-size: 18px;
    }

    form {
      padding: 8px 0 0;
    }

    .together {
      display: grid;
      grid-column: 1 / -1;
      gap: 18px 16px;
      grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewVisit {
  private readonly serverData = inject(ServerData);
  private readonly router = inject(Router);
  private readonly preferences = inject(PreferencesService).current;
  private readonly drafted = draftForm<VisitDraft>(
    'new-visit',
    () => ({ key: newKey(), system: '', day: dayOf(new Date()), time: '', person: this.preferences().person, reason: '' }),
    { fields: { system: [filled()], reason: [filled()], day: [filled()] } },
  );
  protected readonly form = this.drafted.form;
  private readonly systems = fromServer(this.serverData.systems$);
  protected readonly systemChoices = computed(() => [
    { value: '', label: $localize`choose a system` },
    ...(valueOf(this.systems()) ?? []).map(({ id, site, name }) => ({ value: id, label: `${site}, ${name}` })),
  ]);
  private readonly opening = mutation(this.serverData.addVisit$, ({ id }) => {
    this.drafted.clear();
    void this.router.navigate(['/visits', id, 'look']);
  });
  protected readonly busy = computed(() => this.opening.state().state === 'busy');
  protected readonly refused = serverProblems(this.opening.state, {
    '/system': this.form.controls.system,
    '/reason': this.form.controls.reason,
    '/day': this.form.controls.day,
    '/time': this.form.controls.time,
    '/person': this.form.controls.person,
  });

  constructor() {
    // a draft of yesterday is of today, until another day is chosen
    const { day } = this.form.controls;
    const today = dayOf(new Date());
    if (day.value < today) day.setValue(today);
  }

  protected open(): void {
    const { key, system, day, reason, time, person } = this.form.getRawValue();
    if (this.form.invalid) return;
    this.opening.send({
      key,
      system,
      day,
      reason: reason.trim(),
      ...(time === '' ? {} : { time }),
      ...(person.trim() === '' ? {} : { person: person.trim() }),
      recordedBy: this.preferences().person,
    });
  }
}
