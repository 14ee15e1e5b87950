import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { Visit } from '@hygromet/contract/visit';
import { command, refusalIn } from '../live/command';
import { Drafts } from '../live/draft.service';
import { newKey } from '../live/new-key';
import { Registers } from '../live/registers.service';
import { PreferencesService } from '../preferences/preferences.service';
import { ChoiceField } from '../ui/choice-field';
import { loadable, valueOf, waiting } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { TextField } from '../ui/text-field';
import { DueList } from './due-list';
import { NextTruck } from '../truck/next-truck';
import { byDay, nextOf } from './visit-words';
import { VisitDay } from './visit-day';
import { dayOf, dayWords } from '../ui/day';

interface VisitDraft {
  readonly key: string;
  readonly system: string;
  readonly day: string;
  readonly reason: string;
}

/** The visits of the day, how each stands, and the one thing to do next. */
@Component({
  selector: 'hy-today-page',
  imports: [ChoiceField, DueList, NextTruck, PageHead, RouterLink, TextField, VisitDay],
  template: `
    <hy-page-head title="Today" [line]="line()">
      <a class="button" routerLink="/truck">Load the truck</a>
      @if (nextDay(); as day) {
        <a class="button" routerLink="/truck" [queryParams]="{ day }">Truck of {{ said(day) }}</a>
      }
    </hy-page-head>
    @switch (visits().state) {
      @case ('failed') {
        <p class="empty" role="alert">The visits cannot be read now. Is the server running?</p>
      }
      @case ('waiting') {
        <p class="empty second">Reading the visits</p>
      }
      @case ('ready') {
        <div class="body">
          @for (group of groups(); track group.name) {
            <section [attr.aria-label]="group.name">
              <h2>{{ group.name }}</h2>
              @for (visit of group.visits; track visit.id) {
                <article [class.closed]="visit.state === 'closed'">
                  <div class="what">
                    <a [routerLink]="['/visits', visit.id]"
                      ><b>{{ visit.system.site }}, {{ visit.system.name }}</b></a
                    >
                    <p class="second">
                      {{ visit.system.refrigerant }} · {{ visit.reason }}{{ group.name === 'Today' ? '' : ' · ' + said(visit.day) }}
                    </p>
                  </div>
                  <p class="next">{{ next(visit) }}</p>
                  @if (visit.state === 'open') {
                    <div class="row">
                      <hy-visit-day [visit]="visit" />
                      <button
                        type="button"
                        class="button small"
                        [attr.aria-label]="'Close the visit to ' + visit.system.site"
                        (click)="closing.send(visit)"
                      >
                        Close
                      </button>
                    </div>
                  }
                </article>
              } @empty {
                <p class="second">No visit today. Open one for a system below.</p>
              }
            </section>
          }
          @if (refused(); as sentence) {
            <p role="alert" class="refused">{{ sentence }}</p>
          }
          @if (nextDay(); as day) {
            <!-- the solver is large: it comes after the page is up -->
            @defer (on timer(1500ms)) {
              <hy-next-truck [day]="day" />
            }
          }
          <hy-due-list />
          <section aria-label="Open a visit">
            <h2>Open a visit</h2>
            @let d = draft();
            <form novalidate (submit)="$event.preventDefault(); open()">
              <hy-choice-field
                label="System"
                [choices]="systemChoices()"
                [value]="d.system"
                (valueChange)="change({ system: $event })"
                [problem]="systemProblem()"
              />
              <hy-text-field
                label="Day"
                type="date"
                [text]="day()"
                (textChange)="change({ day: $event })"
                [asked]="asked()"
                [problem]="field('/day')"
              />
              <hy-text-field
                label="Reason"
                placeholder="such as: no cooling since Monday"
                [text]="d.reason"
                (textChange)="change({ reason: $event })"
                [asked]="asked()"
                [problem]="field('/reason')"
              />
              <div class="actions">
                <button type="submit" class="button main" [disabled]="busy()">{{ busy() ? 'Opening' : 'Open the visit' }}</button>
              </div>
            </form>
          </section>
        </div>
      }
    }
  `,
  styleUrls: ['../ui/form.css', './today.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPage {
  private readonly registers = inject(Registers);
  private readonly router = inject(Router);
  private readonly preferences = inject(PreferencesService).current;
  private readonly today = dayOf(new Date());
  private readonly stored = inject(Drafts).open<VisitDraft>('new-visit', () => ({
    key: newKey(),
    system: '',
    day: '',
    reason: '',
  }));
  protected readonly draft = this.stored.value.asReadonly();
  /** Today until another day is chosen, also in a draft of yesterday. */
  protected readonly day = computed(() => this.draft().day || this.today);
  protected readonly asked = signal(false);
  protected readonly visits = toSignal(loadable(this.registers.visits$), { initialValue: waiting });
  private readonly systems = toSignal(loadable(this.registers.systems$), { initialValue: waiting });

  protected readonly groups = computed(() => byDay(valueOf(this.visits()) ?? [], this.today));
  /** The next day with open visits: what is missing on its truck is seen the evening before. */
  protected readonly nextDay = computed(
    () =>
      (valueOf(this.visits()) ?? [])
        .filter(({ state, day }) => state === 'open' && day > this.today)
        .map(({ day }) => day)
        .sort()[0],
  );
  protected readonly line = computed(() => {
    const open = (valueOf(this.visits()) ?? []).filter(({ state }) => state === 'open').length;
    return open === 0 ? 'no open visit' : `${open} open ${open === 1 ? 'visit' : 'visits'}`;
  });
  protected readonly systemChoices = computed(() => [
    { value: '', label: 'choose a system' },
    ...(valueOf(this.systems()) ?? []).map(({ id, site, name }) => ({ value: id, label: `${site}, ${name}` })),
  ]);
  protected readonly systemProblem = computed(() =>
    this.asked() && this.draft().system === '' ? 'Choose the system that is visited.' : this.field('/system'),
  );
  protected readonly next = nextOf;
  protected readonly said = (day: string): string => dayWords(day);

  private readonly opening = command(this.registers.addVisit$, ({ id }) => {
    this.stored.clear();
    void this.router.navigate(['/visits', id, 'look']);
  });
  protected readonly busy = computed(() => this.opening.state().state === 'busy');
  protected readonly field = (pointer: string) => refusalIn(this.opening.state(), pointer);
  protected readonly closing = command(
    ({ id, version }: Visit) =>
      this.registers.addVisitEvent$(id, {
        kind: 'closed',
        key: newKey(),
        version,
        happenedAt: new Date().toISOString(),
        recordedBy: this.preferences().person,
      }),
    () => undefined,
  );
  protected readonly refused = computed(() => refusalIn(this.closing.state()));

  protected change(part: Partial<VisitDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }

  protected open(): void {
    this.asked.set(true);
    const { key, system, reason } = this.draft();
    if (system === '' || reason.trim() === '') return;
    this.opening.send({ key, system, day: this.day(), reason: reason.trim(), recordedBy: this.preferences().person });
  }
}
