import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Visit } from '@hygromet/contract/visit';
import { mutation, errorIn } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { dayOf } from '../ui/day';
import { TextField } from '../ui/text-field';

/** An open visit is planned for another day: for today with one press where it is overdue, or for one that is chosen. */
@Component({
  selector: 'hy-visit-day',
  imports: [TextField],
  template: `
    @if (choosing()) {
      <form novalidate (submit)="$event.preventDefault(); move(day())">
        <hy-text-field label="New day" type="date" [text]="day()" (textChange)="chosen.set($event)" [problem]="refused()" />
        <hy-text-field label="Time" type="time" [text]="time()" (textChange)="hour.set($event)" />
        <button type="submit" class="button small main" [disabled]="busy()">Move</button>
        <button type="button" class="button small plain" (click)="leave()">Not now</button>
      </form>
    } @else {
      @if (visit().day < today) {
        <button type="button" class="button small" [attr.aria-label]="of('Plan the visit', 'for today')" (click)="move(today)">
          For today
        </button>
      }
      <button
        type="button"
        class="button small plain"
        [attr.aria-label]="of('Move the visit', 'to another day')"
        (click)="choosing.set(true)"
      >
        Another day
      </button>
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
  protected readonly chosen = signal<string | undefined>(undefined);
  /** The chosen day; today where it is overdue, else the day it has. */
  protected readonly day = computed(() => this.chosen() ?? (this.visit().day < this.today ? this.today : this.visit().day));

  protected readonly hour = signal<string | undefined>(undefined);
  protected readonly time = computed(() => this.hour() ?? this.visit().time ?? '');

  private readonly moving = mutation(
    (day: string) =>
      this.serverData.addVisitEvent$(this.visit().id, {
        kind: 'moved',
        key: newKey(),
        version: this.visit().version,
        day,
        ...(this.time() === '' ? {} : { time: this.time() }),
        happenedAt: new Date().toISOString(),
        recordedBy: this.preferences().person,
      }),
    () => this.leave(),
  );
  protected readonly busy = computed(() => this.moving.state().state === 'busy');
  protected readonly refused = computed(() => errorIn(this.moving.state(), '/day') ?? errorIn(this.moving.state()));
  protected readonly of = (before: string, after: string): string => `${before} to ${this.visit().system.site} ${after}`;

  protected leave(): void {
    this.choosing.set(false);
    this.chosen.set(undefined);
    this.hour.set(undefined);
    this.moving.reset();
  }

  protected move(day: string): void {
    this.moving.send(day);
  }
}
