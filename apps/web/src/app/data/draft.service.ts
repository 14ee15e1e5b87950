import { DestroyRef, DOCUMENT, effect, inject, Injectable, signal, type WritableSignal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { filter, fromEvent } from 'rxjs';
import { unmarked } from './draft-mark';
import { DraftStore, isNothing } from './draft-store';
import { KeptDraft, type TwoTexts } from './kept-draft';
import { newKey } from './new-key';
import { shapedAs } from './shaped-as';

/** A draft that lives in a page and on the device: a reload finds it as it was typed. */
export interface Draft<T> {
  readonly value: WritableSignal<T>;
  /** Forgets it, when it was sent and the page is left: what is typed into it afterwards is kept no longer. */
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

const keyOf = (name: string) => `hygromet.draft.${name}`;

@Injectable({ providedIn: 'root' })
export class Drafts {
  private readonly store = inject(DraftStore);
  private readonly window = inject(DOCUMENT).defaultView;
  private readonly tab = newKey();
  private written = 0;
  readonly keeps = this.store.keeps.asReadonly();
  /** A form on the page that two tabs have typed into. */
  readonly twoTexts = signal<TwoTexts | undefined>(undefined);
  /** A draft was of a shape that nothing leads on from. */
  readonly leftOut = signal(false);

  /** Call it where effects may be made: in a constructor or a field. */
  open<T extends object>(name: string, empty: () => T, options: DraftOptions<T> = {}): Draft<T> {
    const key = keyOf(name);
    const draft = new KeptDraft<T>(this.store, {
      key,
      version: options.version ?? 1,
      empty,
      sensible: (text, version) => this.sensible(text, version, empty, options),
      newStamp: () => `${this.tab}:${++this.written}`,
      ask: (texts) => this.twoTexts.set(texts),
    });
    effect(() => draft.keep(draft.value()));
    if (options.view !== true && this.window !== null) this.listen(key, draft, this.window);
    return { value: draft.value, clear: () => draft.clear() };
  }

  /** A draft that another page left, and that is kept there no longer; nothing where there is none. */
  take<T extends object>(name: string, empty: () => T): T | undefined {
    const { text } = unmarked(this.store.read(keyOf(name)));
    if (isNothing(text)) return undefined;
    this.store.remove(keyOf(name));
    return shapedAs(text, empty());
  }

  private listen(key: string, draft: { hear: (newValue: string | null) => void }, window: Window): void {
    const destroyed = inject(DestroyRef);
    fromEvent<StorageEvent>(window, 'storage')
      .pipe(
        filter((event) => event.key === key),
        takeUntilDestroyed(destroyed),
      )
      .subscribe(({ newValue }) => draft.hear(newValue));
    // the page is left: both texts stay on the device, and are asked about when it is opened again
    destroyed.onDestroy(() => this.twoTexts.set(undefined));
  }

  private sensible<T extends object>(text: unknown, version: number, empty: () => T, options: DraftOptions<T>): T {
    const { version: wanted = 1, migrate, sound = () => true } = options;
    const moved = isNothing(text) || version === wanted ? text : migrate?.(text, version);
    if (moved === undefined) this.leftOut.set(true);
    const draft = shapedAs(moved ?? {}, empty());
    return sound(draft) ? draft : empty();
  }
}
