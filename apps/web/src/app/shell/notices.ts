import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { map } from 'rxjs';
import { PreferencesService } from '../preferences/preferences.service';
import { Connection } from '../data/connection';
import { Drafts } from '../data/draft.service';
import { ToldErrors } from './told-errors';
import { StalePages } from './stale-pages';

/** What holds for every page: nothing answers, nothing is kept, a newer version is there. Usually nothing. */
@Component({
  selector: 'hy-notices',
  imports: [RouterLink],
  template: `
    <div aria-live="polite">
      @if (connection.silent()) {
        <p i18n>The server does not answer. What you typed is kept; a booking is sent again by itself, and is booked once.</p>
      }
      @if (nobody()) {
        <p i18n>Nobody works on this device yet: <a routerLink="/settings">say who you are</a>, for every entry bears a name.</p>
      }
      @if (errors.told()) {
        <p>
          <ng-container i18n>Something went wrong on this page; what you typed is kept. Reload it, or </ng-container
          ><button i18n type="button" class="link" (click)="errors.dismiss()">go on</button>.
        </p>
      }
      @if (!drafts.keeps()) {
        <p i18n>
          This browser keeps nothing: what you type is gone when the page is closed. Allow storage for this page, or book before you leave.
        </p>
      }
      @if (drafts.twoTexts(); as two) {
        <p>
          <ng-container i18n
            >A form of this page is typed in another tab too, and both texts are kept. Here stands the one of this tab: </ng-container
          ><button i18n type="button" class="link" (click)="two.keepThis()">keep it</button><ng-container i18n>, or </ng-container
          ><button i18n type="button" class="link" (click)="two.takeOther()">take the other</button>.
        </p>
      }
      @if (drafts.leftOut()) {
        <p>
          <ng-container i18n>What was typed here before the last update does not fit this form any more and was left out. </ng-container
          ><button i18n type="button" class="link" (click)="drafts.leftOut.set(false)">All right</button>
        </p>
      }
      @if (stale.found()) {
        <p>
          <ng-container i18n>A newer version of Hygromet is there. </ng-container
          ><button i18n type="button" class="link" (click)="stale.reload()">Load it</button
          ><ng-container i18n>; what you typed is kept. </ng-container>
        </p>
      }
    </div>
  `,
  styles: `
    p {
      margin: 0;
      padding: 10px var(--margin);
      border-bottom: 1px solid var(--line);
      background: var(--caution-soft);
      font-size: 15.5px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Notices {
  /** Whether the firm is known: in the demo somebody is at work from then on. */
  readonly known = input(true);
  private readonly preferences = inject(PreferencesService).current;
  private readonly router = inject(Router);
  private readonly url = toSignal(this.router.events.pipe(map(() => this.router.url)), { initialValue: this.router.url });
  /** Where one says who one is, nobody needs to be told. */
  protected readonly nobody = computed(
    () => this.known() && this.preferences().person.trim() === '' && !/^\/(settings|first-steps)/.test(this.url()),
  );
  protected readonly connection = inject(Connection);
  protected readonly errors = inject(ToldErrors);
  protected readonly drafts = inject(Drafts);
  protected readonly stale = inject(StalePages);
}
