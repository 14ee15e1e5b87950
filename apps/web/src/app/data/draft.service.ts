import { effect, inject, Injectable, InjectionToken, signal, type WritableSignal } from '@angular/core';
import { shapedAs } from './shaped-as';

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

/** A draft that lives in a page and on the device: a reload finds it as it was typed. */
export interface Draft<T> {
  readonly value: WritableSignal<T>;
  /** Forgets it, when it was sent. */
  readonly clear: () => void;
}

@Injectable({ providedIn: 'root' })
export class Drafts {
  private readonly storage = inject(DRAFT_STORAGE);
  /** Whether what is typed survives the page; a page that cannot keep it says so. */
  readonly keeps = signal(this.storage !== null);

  /**
   * Call it where effects may be made: in a constructor or a field.
   * @param sound whether a stored draft makes sense, where its shape alone does not say it; one that makes none is left
   */
  open<T extends object>(name: string, empty: () => T, sound: (draft: T) => boolean = () => true): Draft<T> {
    const key = `hygromet.draft.${name}`;
    const stored = shapedAs(this.read(key), empty());
    const value = signal<T>(sound(stored) ? stored : empty());
    let cleared = false;
    effect(() => {
      const draft = value();
      if (!cleared) this.write(key, draft);
    });
    return {
      value,
      clear: () => {
        cleared = true;
        this.storage?.removeItem(key);
      },
    };
  }

  /** A draft that another page left, and that is kept there no longer; nothing where there is none. */
  take<T extends object>(name: string, empty: () => T): T | undefined {
    const key = `hygromet.draft.${name}`;
    const stored = this.read(key);
    if (typeof stored !== 'object' || stored === null || Object.keys(stored).length === 0) return undefined;
    this.storage?.removeItem(key);
    return shapedAs(stored, empty());
  }

  private read(key: string): unknown {
    try {
      return JSON.parse(this.storage?.getItem(key) ?? '{}');
    } catch {
      return {}; // an entry cut short: an empty form
    }
  }

  private write(key: string, draft: object): void {
    try {
      this.storage?.setItem(key, JSON.stringify(draft));
    } catch {
      this.keeps.set(false); // full: the draft lives as long as the page
    }
  }
}
