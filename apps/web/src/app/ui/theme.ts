import { DestroyRef, DOCUMENT, inject, Injectable, signal } from '@angular/core';

/** Light or dark as it is shown now, for whoever draws on a canvas: there a colour does not follow by itself. */
@Injectable({ providedIn: 'root' })
export class Theme {
  private readonly shown = signal('light');
  readonly current = this.shown.asReadonly();

  constructor() {
    const root = inject(DOCUMENT).documentElement;
    const read = () => this.shown.set(root.dataset['theme'] ?? 'light');
    read();
    const observer = new MutationObserver(read);
    observer.observe(root, { attributeFilter: ['data-theme'] });
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }
}
