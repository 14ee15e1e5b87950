import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, takeUntil, timer } from 'rxjs';
import { ServerData } from './data/server-data.service';
import { PreferencesService } from './preferences/preferences.service';
import { SiteAltitude } from './preferences/site-altitude.service';
import { Notices } from './shell/notices';
import { ReadState } from './shell/read-state';
import { Icon, type IconName } from './ui/icon';

const FIRST_PAGE_MS = 5000;

/** The frame: where one can go, always in the same place. At the left on a wide screen, under the thumb on a narrow one. */
@Component({
  selector: 'hy-root',
  imports: [Icon, Notices, ReadState, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <a i18n class="skip" href="#main" (click)="skip($event)">Skip to main content</a>
    <nav aria-label="Places" i18n-aria-label>
      <a class="mark" routerLink="/" aria-label="Hygromet, start" i18n-aria-label
        ><svg viewBox="0 0 40 40" width="40" height="40" aria-hidden="true">
          <circle cx="20" cy="20" r="14" />
          <path d="M20 2v5M20 33v5M2 20h5M33 20h5" />
          <path class="fill" d="M11 20h18a9 9 0 0 1-18 0z" /></svg
      ></a>
      @for (place of places; track place.path) {
        <a class="place" [routerLink]="place.path" routerLinkActive="here" ariaCurrentWhenActive="page">
          <svg [hyIcon]="place.icon"></svg>
          <span>{{ place.name }}</span>
        </a>
      }
      <a
        class="place person"
        routerLink="/settings"
        routerLinkActive="here"
        ariaCurrentWhenActive="page"
        [attr.aria-label]="nobody() ? words.settingsSayWhoWorksHere : words.settingsOf + person()"
      >
        <svg hyIcon="settings"></svg>
        <span>{{ person() }}</span>
      </a>
    </nav>
    <main id="main" tabindex="-1">
      <hy-notices [known]="altitude.meters() !== undefined" />
      @if (altitude.meters() !== undefined) {
        <router-outlet />
      } @else {
        <hy-read-state [of]="altitude.read()" what="altitude of the firm" i18n-what />
      }
    </main>
  `,
  styleUrl: './app-root.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AppRoot {
  protected readonly words = {
    settingsSayWhoWorksHere: $localize`Settings: say who works here`,
    settingsOf: $localize`Settings of `,
  } as const;

  protected readonly altitude = inject(SiteAltitude);
  private readonly service = inject(PreferencesService);
  private readonly preferences = this.service.current;
  protected readonly person = computed(() => this.preferences().person.trim().split(' ')[0] || $localize`Who?`);
  protected readonly nobody = computed(() => this.preferences().person.trim() === '');
  protected readonly places: readonly { path: string; name: string; icon: IconName }[] = [
    { path: '/today', name: $localize`Today`, icon: 'today' },
    { path: '/cylinders', name: $localize`Cylinders`, icon: 'cylinder' },
    { path: '/systems', name: $localize`Systems`, icon: 'system' },
    { path: '/book', name: $localize`Log`, icon: 'book' },
    { path: '/bench', name: $localize`Bench`, icon: 'bench' },
  ];

  constructor() {
    const serverData = inject(ServerData);
    // in the demo somebody of its people is at work; in a firm of one's own a person says who they are
    if (this.nobody())
      serverData.organisation$
        .pipe(
          // for as long as the first page takes to come: it then shares this answer
          takeUntil(timer(FIRST_PAGE_MS)),
          catchError(() => EMPTY),
          takeUntilDestroyed(),
        )
        .subscribe(({ demo, people: [first] }) => {
          if (demo && first !== undefined && this.nobody()) this.service.change({ person: first });
        });
  }

  protected skip(event: Event): void {
    event.preventDefault();
    document.getElementById('main')?.focus();
  }
}
