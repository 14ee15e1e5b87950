import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';

import { mutation, errorIn } from '../../data/mutation';
import { newKey } from '../../data/new-key';
import { ServerData } from '../../data/server-data.service';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { ChoiceField } from '../../ui/choice-field';
import { valueOf } from '../../ui/loadable';
import { TextField } from '../../ui/text-field';
import { VisitJob } from '../visit-job';

/** A difference is logged to the account that a person chooses, with its reason: nothing is adjusted silently. */
@Component({
  selector: 'hy-log-difference',
  imports: [ChoiceField, TextField],
  template: `
    <form novalidate (submit)="$event.preventDefault(); log()">
      <hy-choice-field label="Log the difference as" [choices]="choices()" [value]="kind()" (valueChange)="kind.set($event)" />
      <hy-text-field label="Reason" [text]="note()" (textChange)="note.set($event)" [problem]="field('/note')" />
      <button type="submit" class="button" [disabled]="account() === undefined || busy()">Log {{ mass() }}</button>
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
  /** The same press twice is one entry. */
  private readonly key = signal(newKey());
  protected readonly kind = linkedSignal<string>(() => (this.differenceKg() > 0 ? 'air' : 'unexplained'));
  protected readonly note = linkedSignal(() => this.reason());
  protected readonly choices = computed(() => [
    ...(this.differenceKg() > 0 ? [{ value: 'air', label: 'lost to the air' }] : []),
    { value: 'unexplained', label: 'not accounted for' },
    ...(this.differenceKg() > 0 ? [] : [{ value: 'supplier', label: 'charged by somebody else' }]),
  ]);
  protected readonly account = computed(() => (valueOf(this.accounts()) ?? []).find(({ kind }) => kind === this.kind()));
  protected readonly mass = computed(() => this.units.massText(Math.abs(this.differenceKg())));
  private readonly logging = mutation(this.serverData.bookDifference$, () => this.key.set(newKey()));
  protected readonly busy = computed(() => this.logging.state().state === 'busy');
  protected readonly field = (pointer: string) => errorIn(this.logging.state(), pointer);
  protected readonly refused = computed(() => errorIn(this.logging.state()));

  protected log(): void {
    const account = this.account();
    if (account === undefined) return;
    this.logging.send({
      key: this.key(),
      system: this.system(),
      account: account.id,
      direction: this.differenceKg() > 0 ? 'missing' : 'surplus',
      massKg: Number(Math.abs(this.differenceKg()).toFixed(6)),
      happenedAt: new Date().toISOString(),
      recordedBy: this.preferences().person,
      note: this.note().trim(),
      visit: this.job.id,
    });
  }
}
