import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormBuilder, ReactiveFormsModule } from '@angular/forms';
import type { Visit } from '@hygromet/contract/visit';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { serverProblems } from '../forms/server-problems';
import { filled } from '../forms/validators';
import { PreferencesService } from '../preferences/preferences.service';
import { dayOf } from '../ui/day';
import { TextField } from '../ui/text-field';

/** An open visit is planned for another day: for today with one press where it is overdue, or for one that is chosen. */
@Component({
  selector: 'hy-visit-day',
  host: { '[class.choosing]': 'choosing()' },
  imports: [ReactiveFormsModule, TextField],
  template: `
    @if (choosing()) {
      <form novalidate [formGroup]="form" (ngSubmit)="moveTo()">
        <hy-text-field label="New day" i18n-label type="date" formControlName="day" />
        <hy-text-field label="Time" i18n-label type="time" formControlName="time" />
        <button i18n type="submit" class="button small main" [disabled]="busy()">Move</button>
        <button i18n type="button" class="button small plain" (click)="leave()">Not now</button>
      </form>
      @if (refused(); as sentence) {
        <p role="alert" class="over">{{ sentence }}</p>
      }
    } @else {
      @if (visit().day < today) {
        <button i18n type="button" class="button small" [attr.aria-label]="words.forToday()" (click)="move(today, visit().time ?? '')">
          For today
        </button>
      }
      <button i18n type="button" class="button small plain" [attr.aria-label]="words.anotherDay()" (click)="choose()">Another day</button>
      @if (refused(); as sentence) {
        <p role="alert" class="over">{{ sentence }}</p>
      }
    }
  `,
  styles: `
    :host,
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitDay {
  readonly visit = input.required<Visit>();
  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly today = dayOf(new Date());
  protected readonly choosing = signal(false);
  protected readonly form = inject(FormBuilder).nonNullable.group({ day: ['', filled($localize`Choose the day.`)], time: [''] });

  private readonly moving = mutation(
    ({ day, time }: { readonly day: string; readonly time: string }) =>
      this.serverData.addVisitEvent$(this.visit().id, {
        kind: 'moved',
        key: newKey(),
        version: this.visit().version,
        day,
        ...(time === '' ? {} : { time }),
        happenedAt: new Date().toISOString(),
        recordedBy: this.preferences().person,
      }),
    () => this.leave(),
  );
  protected readonly busy = computed(() => this.moving.state().state === 'busy');
  protected readonly refused = serverProblems(this.moving.state, { '/day': this.form.controls.day, '/time': this.form.controls.time });
  protected readonly words = {
    forToday: (): string => $localize`Plan the visit to ${this.visit().system.site} for today`,
    anotherDay: (): string => $localize`Move the visit to ${this.visit().system.site} to another day`,
  } as const;

  /** With the day it has, or today where that is over. */
  protected choose(): void {
    const { day, time } = this.visit();
    this.form.reset({ day: day < this.today ? this.today : day, time: time ?? '' });
    this.choosing.set(true);
  }

  protected leave(): void {
    this.choosing.set(false);
    this.moving.reset();
  }

  protected moveTo(): void {
    const { day, time } = this.form.getRawValue();
    if (this.form.valid) this.move(day, time);
  }

  protected move(day: string, time: string): void {
    this.moving.send({ day, time });
  }
}
