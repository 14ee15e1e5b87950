import { DOCUMENT, inject, Injectable, signal } from '@angular/core';
import type { NavigationError } from '@angular/router';

/** What browsers say when a part of the program that is loaded on the way is gone: it was built anew meanwhile. */
const GONE = /dynamically imported module|module script|Failed to fetch|Importing a module/i;

/** A page whose program is no longer there is told to load the new one, where it was going. */
@Injectable({ providedIn: 'root' })
export class StalePages {
  private readonly document = inject(DOCUMENT);
  private wanted: string | undefined;
  readonly found = signal(false);

  /** For the router. */
  failed({ error, url }: Pick<NavigationError, 'error' | 'url'>): void {
    if (!GONE.test(error instanceof Error ? error.message : String(error))) return;
    this.wanted = url;
    this.found.set(true);
  }

  reload(): void {
    this.document.location.assign(this.wanted ?? this.document.location.href);
  }
}
