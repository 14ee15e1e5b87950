import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Connection } from '../live/connection';
import { Drafts } from '../live/draft.service';
import { StalePages } from './stale-pages';

/** What holds for every page: nothing answers, nothing is kept, a newer version is there. Usually nothing. */
@Component({
  selector: 'hy-notices',
  template: `
    <div aria-live="polite">
      @if (connection.silent()) {
        <p>The server does not answer. What you typed is kept; a booking is sent again by itself, and is booked once.</p>
      }
      @if (!drafts.keeps()) {
        <p>
          This browser keeps nothing: what you type is gone when the page is closed. Allow storage for this page, or book before you leave.
        </p>
      }
      @if (stale.found()) {
        <p>
          A newer version of Hygromet is there. <button type="button" class="link" (click)="stale.reload()">Load it</button>; what you typed
          is kept.
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
  protected readonly connection = inject(Connection);
  protected readonly drafts = inject(Drafts);
  protected readonly stale = inject(StalePages);
}
