import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';

import { mutation } from '../../data/mutation';
import { sameSending } from '../../data/same-sending';
import { ServerData } from '../../data/server-data.service';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { ChoiceField } from '../../ui/choice-field';
import { valueOf } from '../../ui/loadable';
import { TextField } from '../../ui/text-field';
import { VisitJob } from '../visit-job';
import { ReactiveFormsModule } from '@angular/forms';
import { serverProblems } from '../../forms/server-problems';
import { Drafts } from '../../data/draft.service';
import { overlayForm } from '../../forms/overlay-form';

interface Said {
  readonly kind: string;
  readonly note: string;
}

/** A difference is logged to the account that a person chooses, with its reason: nothing is adjusted silently. */
@Component({
  selector: 'hy-log-difference',
  imports: [ChoiceField, ReactiveFormsModule, TextField],
  template: `
    <form novalidate [formGroup]="form" (ngSubmit)="log()">
      <hy-choice-field label="Log the difference as" i18n-label [choices]="choices()" formControlName="kind" />
      <hy-text-field label="Reason" i18n-label formControlName="note" />
      <button i18n type="submit" class="button" [disabled]="account() === undefined || busy()">Log {{ mass() }}</button>
    </form>
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styles: `
    form {
      display: grid;
      align-items: end;
      gap: 12px 16px;
      grid-template-columns: minmax(200px, 260px) minmax(0, 1fr) auto;
    }

    .over {
      color: var(--danger);
    }

    @media (max-width: 699px) {
      form {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogDifference {
  readonly system = input.required<string>();
  /** kg: missing above 0, too much below. */
  readonly differenceKg = input.required<number>();
  /** What most likely explains it. */
  readonly reason = input.required<string>();
  private readonly job = inject(VisitJob);
  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  private readonly units = inject(Units);
  private readonly accounts = fromServer(this.serverData.accounts$);
  /** What was typed over the proposal. */
  private readonly draft = inject(Drafts).open<Partial<Said>>(`difference.${this.job.id}`, () => ({}));
  private readonly sending = sameSending(`difference-sending.${this.job.id}`);
  private readonly proposed = computed((): Said => ({ kind: this.differenceKg() > 0 ? 'air' : 'unexplained', note: this.reason() }));
  protected readonly choices = computed(() => [
    ...(this.differenceKg() > 0 ? [{ value: 'air', label: $localize`lost to the air` }] : []),
    { value: 'unexplained', label: $localize`not accounted for` },
    ...(this.differenceKg() > 0 ? [] : [{ value: 'supplier', label: $localize`charged by somebody else` }]),
  ]);
  /** An account that this difference cannot go to was chosen for another one. */
  private readonly typed = computed((): Partial<Said> => {
    const { kind, ...rest } = this.draft.value();
    return kind !== undefined && this.choices().some(({ value }) => value === kind) ? { kind, ...rest } : rest;
  });
  protected readonly form = overlayForm<Said>(
    {
      shape: { kind: '', note: '' },
      record: this.proposed,
      typed: this.typed,
      change: (typed) => this.draft.value.set(typed),
    },
    {},
  );
  private readonly said = computed((): Said => ({ ...this.proposed(), ...this.typed() }));
  protected readonly account = computed(() => (valueOf(this.accounts()) ?? []).find(({ kind }) => kind === this.said().kind));
  protected readonly mass = computed(() => this.units.massText(Math.abs(this.differenceKg())));
  private readonly logging = mutation(this.serverData.bookDifference$, () => {
    this.draft.value.set({});
    this.sending.done();
  });
  protected readonly busy = computed(() => this.logging.state().state === 'busy');
  protected readonly refused = serverProblems(this.logging.state, { '/note': this.form.controls.note });

  protected log(): void {
    const account = this.account();
    if (account === undefined) return;
    const content = {
      system: this.system(),
      account: account.id,
      direction: this.differenceKg() > 0 ? ('missing' as const) : ('surplus' as const),
      massKg: Number(Math.abs(this.differenceKg()).toFixed(6)),
      recordedBy: this.preferences().person,
      note: this.said().note.trim(),
      visit: this.job.id,
    };
    this.logging.send({ ...content, ...this.sending.of(content) });
  }
}
