import { DestroyRef, effect, inject, Injectable, InjectionToken, signal, type WritableSignal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { filter, fromEvent } from 'rxjs';
import { marked, unmarked } from './draft-mark';
import { newKey } from './new-key';
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

export interface DraftOptions<T> {
  /** Whether a stored draft makes sense, where its shape alone does not say it; one that makes none is left. */
  readonly sound?: (draft: T) => boolean;
  /** Of the shape. One of an older version is moved on by `migrate`, or left out with a word. */
  readonly version?: number;
  readonly migrate?: (stored: unknown, version: number) => T | undefined;
  /** How something is looked at, not what is typed: every tab has its own. */
  readonly view?: boolean;
}

/** A form that two tabs have typed into: both texts are kept until a person decides. */
export interface TwoTexts {
  readonly takeOther: () => void;
  readonly keepThis: () => void;
}

@Injectable({ providedIn: 'root' })
export class Drafts {
  private readonly storage = inject(DRAFT_STORAGE);
  private readonly tab = newKey();
  private written = 0;
  /** Whether what is typed survives the page; a page that cannot keep it says so. */
  readonly keeps = signal(this.storage !== null);
  readonly twoTexts = signal<TwoTexts | undefined>(undefined);
  /** A draft was of a shape that nothing leads on from. */
  readonly leftOut = signal(false);

  /** Call it where effects may be made: in a constructor or a field. */
  open<T extends object>(name: string, empty: () => T, options: DraftOptions<T> = {}): Draft<T> {
    const key = `hygromet.draft.${name}`;
    const { text, mark } = unmarked(this.read(key));
    const value = signal<T>(this.sensible(text, mark.version, empty, options));
    /** The text that this tab has seen last, by anybody; whether it is its own; and whether another stands beside it. */
    let [stamp, typedHere, apart, cleared] = [mark.stamp, false, false, false];
    let seen: T | undefined = this.storage?.getItem(key) == null ? undefined : value();

    const initial = value();
    const write = (draft: T): void => {
      if (apart) {
        this.write(`${key}.apart`, JSON.stringify(draft));
        return;
      }
      const base = stamp;
      stamp = `${this.tab}:${++this.written}`;
      typedHere ||= draft !== initial; // an empty form is nobody's text
      this.write(key, marked(draft, { version: options.version ?? 1, stamp, base }));
    };
    effect(() => {
      const draft = value();
      if (cleared || draft === seen) return;
      seen = draft;
      write(draft);
    });

    const show = (draft: T): void => {
      seen = draft;
      value.set(draft);
    };
    const ask = (other: () => T): void => {
      const settled = () => {
        apart = false;
        this.storage?.removeItem(`${key}.apart`);
        this.twoTexts.set(undefined);
      };
      this.twoTexts.set({
        takeOther: () => {
          settled();
          typedHere = false;
          show(other());
        },
        keepThis: () => {
          settled();
          write(value());
        },
      });
    };
    const left = this.read(`${key}.apart`);
    if (Object.keys(left as object).length > 0) ask(() => this.sensible(left, mark.version, empty, options));

    if (options.view !== true && typeof window !== 'undefined')
      fromEvent<StorageEvent>(window, 'storage')
        .pipe(
          filter((event) => event.key === key && !cleared),
          takeUntilDestroyed(inject(DestroyRef)),
        )
        .subscribe(({ newValue }) => {
          // sent or forgotten in the other tab: sent from here once more, it would be the same thing twice
          if (newValue === null) {
            stamp = '';
            if (!typedHere) show(empty());
            return;
          }
          const other = unmarked(parsed(newValue));
          const follows = !typedHere || other.mark.base === stamp;
          if (follows || apart) stamp = other.mark.stamp;
          if (follows && !apart) {
            typedHere = false;
            show(this.sensible(other.text, other.mark.version, empty, options));
          } else if (!apart) {
            apart = true;
            stamp = other.mark.stamp;
            write(value());
            ask(() => {
              const now = unmarked(this.read(key));
              return this.sensible(now.text, now.mark.version, empty, options);
            });
          }
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
    const { text } = unmarked(this.read(key));
    if (typeof text !== 'object' || text === null || Object.keys(text).length === 0) return undefined;
    this.storage?.removeItem(key);
    return shapedAs(text, empty());
  }

  private sensible<T extends object>(text: unknown, version: number, empty: () => T, options: DraftOptions<T>): T {
    const { version: wanted = 1, migrate, sound = () => true } = options;
    const some = typeof text === 'object' && text !== null && Object.keys(text).length > 0;
    const moved = some && version !== wanted ? migrate?.(text, version) : text;
    if (moved === undefined) this.leftOut.set(true);
    const draft = shapedAs(moved ?? {}, empty());
    return sound(draft) ? draft : empty();
  }

  private read(key: string): unknown {
    try {
      return parsed(this.storage?.getItem(key) ?? '{}');
    } catch {
      return {}; // the storage was taken away meanwhile
    }
  }

  private write(key: string, text: string): void {
    try {
      this.storage?.setItem(key, text);
    } catch {
      this.keeps.set(false); // full: the draft lives as long as the page
    }
  }
}

/** An entry that was cut short is an empty form. */
function parsed(text: string): unknown {
  try {
    return (JSON.parse(text) as unknown) ?? {};
  } catch {
    return {};
  }
}
