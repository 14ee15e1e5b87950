import { effect, inject, Injectable, InjectionToken, signal, type WritableSignal } from '@angular/core';

/** Where drafts are kept; tests give another. */
export const DRAFT_STORAGE = new InjectionToken<Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>>('draft storage', {
  providedIn: 'root',
  factory: () => localStorage,
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

  /** Call it where effects may be made: in a constructor or a field. */
  open<T extends object>(name: string, empty: () => T): Draft<T> {
    const key = `hygromet.draft.${name}`;
    const value = signal<T>({ ...empty(), ...this.read<T>(key) });
    let cleared = false;
    effect(() => {
      const draft = value();
      if (!cleared) this.write(key, draft);
    });
    return {
      value,
      clear: () => {
        cleared = true;
        this.storage.removeItem(key);
      },
    };
  }

  private read<T>(key: string): Partial<T> {
    try {
      return JSON.parse(this.storage.getItem(key) ?? '{}') as Partial<T>; // written by this class alone
    } catch {
      return {}; // storage switched off, or an entry cut short: an empty form
    }
  }

  private write(key: string, draft: object): void {
    try {
      this.storage.setItem(key, JSON.stringify(draft));
    } catch {
      // storage switched off or full: the draft lives as long as the page
    }
  }
}
