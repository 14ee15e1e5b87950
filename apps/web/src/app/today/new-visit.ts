import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';

import { Router } from '@angular/router';
import { mutation, errorIn } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
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
  /** Nothing where it is the person of this device. */
  readonly person: string | null;
  readonly reason: string;
}

/** A visit is added: to which system, when, who goes and why. */
@Component({
  selector: 'hy-new-visit',
  imports: [ChoiceField, TextField],
  template: `
    @let d = draft();
    <section aria-label="Add a visit">
      <h2>Add a visit</h2>
      <form novalidate (submit)="$event.preventDefault(); open()">
        <hy-choice-field
          label="System"
          [choices]="systemChoices()"
          [value]="d.system"
          (valueChange)="change({ system: $event })"
          [problem]="systemProblem()"
        />
        <hy-text-field
          label="Reason"
          placeholder="such as: no cooling since Monday"
          [text]="d.reason"
          (textChange)="change({ reason: $event })"
          [submitted]="submitted()"
          [problem]="field('/reason')"
        />
        <div class="together">
          <hy-text-field
            label="Day"
            type="date"
            [text]="day()"
            (textChange)="change({ day: $event })"
            [submitted]="submitted()"
            [problem]="field('/day')"
          />
          <hy-text-field label="Time" type="time" [text]="d.time" (textChange)="change({ time: $event })" [problem]="field('/time')" />
          <hy-text-field label="Technician" [text]="person()" (textChange)="change({ person: $event })" [problem]="field('/person')" />
        </div>
        @if (refused(); as sentence) {
          <p role="alert" class="over">{{ sentence }}</p>
        }
        <div class="actions">
          <button type="submit" class="button main" [disabled]="busy()">{{ busy() ? 'Opening' : 'Open the visit' }}</button>
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
      gap: 0 16px;
      grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewVisit {
  private readonly serverData = inject(ServerData);
  private readonly router = inject(Router);
  private readonly preferences = inject(PreferencesService).current;
  private readonly today = dayOf(new Date());
  private readonly stored = inject(Drafts).open<VisitDraft>('new-visit', () => ({
    key: newKey(),
    system: '',
    day: '',
    time: '',
    person: null,
    reason: '',
  }));
  protected readonly draft = this.stored.value.asReadonly();
  /** Today until another day is chosen, also in a draft of yesterday. */
  protected readonly day = computed(() => this.draft().day || this.today);
  protected readonly person = computed(() => this.draft().person ?? this.preferences().person);
  protected readonly submitted = signal(false);
  private readonly systems = fromServer(this.serverData.systems$);
  protected readonly systemChoices = computed(() => [
    { value: '', label: 'choose a system' },
    ...(valueOf(this.systems()) ?? []).map(({ id, site, name }) => ({ value: id, label: `${site}, ${name}` })),
  ]);
  protected readonly systemProblem = computed(() =>
    this.submitted() && this.draft().system === '' ? 'Choose the system that is visited.' : this.field('/system'),
  );

  private readonly opening = mutation(this.serverData.addVisit$, ({ id }) => {
    this.stored.clear();
    void this.router.navigate(['/visits', id, 'look']);
  });
  protected readonly busy = computed(() => this.opening.state().state === 'busy');
  protected readonly field = (pointer: string) => errorIn(this.opening.state(), pointer);
  protected readonly refused = computed(() => errorIn(this.opening.state()));

  protected change(part: Partial<VisitDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }

  protected open(): void {
    this.submitted.set(true);
    const { key, system, reason, time } = this.draft();
    const person = this.person().trim();
    if (system === '' || reason.trim() === '') return;
    this.opening.send({
      key,
      system,
      day: this.day(),
      reason: reason.trim(),
      ...(time === '' ? {} : { time }),
      ...(person === '' ? {} : { person }),
      recordedBy: this.preferences().person,
    });
  }
}
