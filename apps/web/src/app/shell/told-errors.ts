import { inject, Injectable, signal, type ErrorHandler } from '@angular/core';
import { StalePages } from './stale-pages';

/** What nobody foresaw: a person is told once, and what is known of it stands in the console. */
@Injectable({ providedIn: 'root' })
export class ToldErrors implements ErrorHandler {
  private readonly stale = inject(StalePages);
  private readonly seen = signal(false);
  readonly told = this.seen.asReadonly();

  handleError(error: unknown): void {
    console.error(error);
    // a part of the page that is no longer on the server is told in its own words
    if (!this.stale.found()) this.seen.set(true);
  }

  dismiss(): void {
    this.seen.set(false);
  }
}
