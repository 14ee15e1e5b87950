import { inject, Injectable, InjectionToken, signal } from '@angular/core';

type DraftStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** Where drafts are kept; tests give another. Nothing where the browser keeps nothing: then asking for it throws. */
export const DRAFT_STORAGE = new InjectionToken<DraftStorage | null>('draft storage', {
  providedIn: 'root',
  factory: () => {
    try {
      return localStorage;
    } catch {
      return null;
    }
  },
});

/** The device's storage, which may be full, blocked or taken away: no page breaks by it. */
@Injectable({ providedIn: 'root' })
export class DraftStore {
  private readonly storage = inject(DRAFT_STORAGE);
  /** Whether what is typed survives the page; a page that cannot keep it says so. */
  readonly keeps = signal(this.storage !== null);

  /** What is stored; an empty object where nothing is, or where it was cut short. */
  read(key: string): unknown {
    try {
      return parsed(this.storage?.getItem(key) ?? '{}');
    } catch {
      return {}; // taken away meanwhile
    }
  }

  write(key: string, text: string): void {
    try {
      this.storage?.setItem(key, text);
    } catch {
      this.keeps.set(false); // full: the draft lives as long as the page
    }
  }

  remove(key: string): void {
    this.storage?.removeItem(key);
  }
}

/** An entry that was cut short is an empty form. */
export function parsed(text: string): unknown {
  try {
    return (JSON.parse(text) as unknown) ?? {};
  } catch {
    return {};
  }
}

export const isNothing = (stored: unknown): boolean => typeof stored !== 'object' || stored === null || Object.keys(stored).length === 0;
