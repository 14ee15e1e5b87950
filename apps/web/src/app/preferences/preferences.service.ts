import { DOCUMENT, effect, inject, Injectable } from '@angular/core';
import { Drafts } from '../data/draft.service';
import { defaultPreferences, type Preferences } from './preferences';

const PREFERS_DARK = '(prefers-color-scheme: dark)';

/** Units, decimal mark and theme of this device, kept on it. */
@Injectable({ providedIn: 'root' })
export class PreferencesService {
  private readonly document = inject(DOCUMENT);
  private readonly stored = inject(Drafts).open<Preferences>('preferences', () => defaultPreferences);
  readonly current = this.stored.value.asReadonly();

  constructor() {
    effect(() => this.applyTheme(this.current().theme));
    this.media()?.addEventListener('change', () => this.applyTheme(this.current().theme));
  }

  change(part: Partial<Preferences>): void {
    this.stored.value.update((preferences) => ({ ...preferences, ...part }));
  }

  /** Whether the system prefers the dark; nothing where there is no screen, as in a test. */
  private media(): MediaQueryList | undefined {
    const view = this.document.defaultView as Partial<Pick<Window, 'matchMedia'>> | null;
    return view?.matchMedia?.(PREFERS_DARK);
  }

  private applyTheme(theme: Preferences['theme']): void {
    const systemIsDark = this.media()?.matches ?? false;
    this.document.documentElement.dataset['theme'] = theme === 'dark' || (theme === 'system' && systemIsDark) ? 'dark' : 'light';
  }
}
