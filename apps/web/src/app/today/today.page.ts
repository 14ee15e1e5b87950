import { ReadState } from '../shell/read-state';
import { BeginCard } from '../first-steps/begin-card';
import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';

import { RouterLink } from '@angular/router';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { NextTruck } from '../truck/next-truck';
import { truckVisits } from '../truck/truck-task';
import { dayOf, dayWords, longDay } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { settledOnce } from '../ui/settled';
import { oncePainted } from '../ui/after-paint';
import { PageHead } from '../ui/page-head';
import { DueList } from './due-list';
import { NewVisit } from './new-visit';
import { VanLine } from './van-line';
import { VisitRow } from './visit-row';
import { byDay, dueNames, leadOf } from './visit-labels';

/** The visits of the day, how far each is, and the one thing to do next; what is due stands at the right. */
@Component({
  selector: 'hy-today-page',
  imports: [BeginCard, ReadState, DueList, NewVisit, NextTruck, PageHead, RouterLink, VanLine, VisitRow],
  template: `
    <hy-page-head [title]="title" [line]="line()">
      <a i18n class="button" routerLink="/truck">Load the truck</a>
      <button
        type="button"
        class="button"
        [class.main]="!adding() && begun()"
        [attr.aria-expanded]="adding()"
        (click)="adding.set(!adding())"
      >
        @if (adding()) {
          <ng-container i18n>Not now</ng-container>
        } @else {
          <ng-container i18n>Add a visit</ng-container>
        }
      </button>
    </hy-page-head>
    @switch (settled() ? visits().state : 'waiting') {
      @default {
        <hy-read-state [of]="visits()" what="visits" i18n-what />
      }
      @case ('ready') {
        <div class="body">
          <div class="visits">
            <hy-begin-card />
            @if (adding()) {
              <div class="adding">
                @if (drawn()) {
                  <hy-new-visit />
                }
              </div>
            }
            @for (group of groups(); track group.due) {
              <section [attr.aria-label]="dueNames[group.due]">
                <h2 [class.unseen]="group.due === 'today'">{{ dueNames[group.due] }}</h2>
                @for (visit of group.visits; track visit.id) {
                  <hy-visit-row [visit]="visit" [lead]="visit.id === lead()" [plateKg]="plates().get(visit.system.id)" />
                } @empty {
                  <p i18n class="second">No visit today. “Add a visit” opens one for a system.</p>
                }
              </section>
            }
          </div>
          <aside aria-label="Due, and the van" i18n-aria-label>
            <hy-due-list />
            <hy-van-line />
            @if (nextDay(); as day) {
              <!-- the solver is large: it comes after the page is up -->
              @defer (on timer(1500ms)) {
                <hy-next-truck [day]="day" />
              } @placeholder {
                <p class="second">
                  <a i18n routerLink="/truck" [queryParams]="{ day }">Truck of {{ said(day) }}</a>
                </p>
              }
            }
          </aside>
        </div>
      }
    }
  `,
  styleUrl: './today.page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPage {
  private readonly serverData = inject(ServerData);
  private readonly units = inject(Units);
  private readonly today = dayOf(new Date());
  protected readonly title = longDay(this.today);
  protected readonly adding = signal(false);
  protected readonly drawn = oncePainted(this.adding);
  /** In an empty house the first steps come first. */
  protected readonly begun = computed(() => (valueOf(this.systems()) ?? []).length > 0);
  protected readonly visits = fromServer(this.serverData.visits$);
  private readonly systems = fromServer(this.serverData.systems$);
  private readonly all = computed(() => valueOf(this.visits()) ?? []);
  /** Read with the page for what stands beside the visits: it comes with them, and pushes nothing away. */
  private readonly cylinders = fromServer(this.serverData.cylinders$);
  protected readonly settled = settledOnce(() => this.visits().state === 'failed' || this.cylinders().state !== 'waiting');

  protected readonly plates = computed(() => new Map((valueOf(this.systems()) ?? []).map(({ id, nameplateKg }) => [id, nameplateKg])));
  protected readonly dueNames = dueNames;
  protected readonly groups = computed(() => byDay(this.all(), this.today));
  protected readonly lead = computed(() => leadOf(this.all(), this.today));
  /** The next day with open visits: what is missing on its truck is seen the evening before. */
  protected readonly nextDay = computed(
    () =>
      this.all()
        .filter(({ state, day }) => state === 'open' && day > this.today)
        .map(({ day }) => day)
        .sort()[0],
  );
  protected readonly line = computed(() => {
    const open = this.all().filter(({ state, day }) => state === 'open' && day === this.today).length;
    if (open === 0) return $localize`no open visit today`;
    const stops = truckVisits(this.all(), valueOf(this.systems()) ?? [], this.today, () => true);
    const most = stops.reduce((sum, { job }) => sum + job.high, 0);
    const visits = $localize`${open} open ${open === 1 ? $localize`visit` : $localize`visits`}`;
    return most === 0 ? visits : $localize`${visits} · up to ${this.units.massText(most)} may be recovered`;
  });
  protected readonly said = (day: string): string => dayWords(day);
}
