import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Visit } from '@hygromet/contract/visit';
import { stagesOf } from '@hygromet/contract/visit-stages';
import { dayOf, dayWords, monthDay } from '../ui/day';
import { StageSpine } from './stage-spine';
import { VisitDay } from './visit-day';
import { goOnText, nextOf, whoseVisit } from './visit-labels';
import { Units } from '../preferences/units.service';

/** One visit in the list of the day: when, where, who, how far it is, and the one next action. The whole row opens it. */
@Component({
  selector: 'hy-visit-row',
  imports: [RouterLink, StageSpine, VisitDay],
  template: `
    @let row = visit();
    <article [class.lead]="lead()" [class.closed]="row.state === 'closed'">
      <p class="when">
        {{ when() }}
        @if (hour(); as at) {
          <span class="second">{{ at }}</span>
        }
      </p>
      <div class="what">
        <h3>{{ row.system.site }}, {{ row.system.name }}</h3>
        <p class="second">{{ line() }}</p>
      </div>
      <hy-stage-spine [states]="states()" />
      <p class="next">
        <b>{{ next() }}</b> <span class="second">{{ row.reason }}</span>
      </p>
      <div class="actions">
        @if (row.state === 'open') {
          <hy-visit-day [visit]="row" />
        }
        <a
          class="button small"
          [class.main]="lead()"
          [routerLink]="['/visits', row.id]"
          [attr.aria-label]="word() + ': ' + row.system.site + ', ' + row.system.name"
          >{{ word() }}</a
        >
      </div>
    </article>
  `,
  styleUrl: './visit-row.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitRow {
  readonly visit = input.required<Visit>();
  /** The one to go on with: on a soft ground, with the main action. */
  readonly lead = input(false);
  /** What the plate says, where the register of systems has been read. */
  readonly plateKg = input<number>();
  private readonly units = inject(Units);
  private readonly today = dayOf(new Date());
  protected readonly states = computed(() => stagesOf(this.visit()));
  protected readonly next = computed(() => nextOf(this.visit()));
  protected readonly word = computed(() => goOnText(this.visit()));
  protected readonly when = computed(() => {
    const { day, time } = this.visit();
    return day === this.today ? (time ?? '') : monthDay(day);
  });
  /** Under another day its hour, else which day of the week it is. */
  protected readonly hour = computed(() => {
    const { day, time } = this.visit();
    return day === this.today ? undefined : (time ?? dayWords(day).split(',')[0]);
  });
  protected readonly line = computed(() => {
    const { system } = this.visit();
    const plate = this.plateKg();
    const charge = plate === undefined ? system.refrigerant : `${system.refrigerant}, ${this.units.massText(plate)}`;
    return `${charge} · ${whoseVisit(this.visit())}`;
  });
}
