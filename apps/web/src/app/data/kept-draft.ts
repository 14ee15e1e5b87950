import { signal, type WritableSignal } from '@angular/core';
import { marked, unmarked } from './draft-mark';
import { isNothing, parsed, type DraftStore } from './draft-store';

/** A form that two tabs have typed into: both texts are kept until a person decides. */
export interface TwoTexts {
  readonly takeOther: () => void;
  readonly keepThis: () => void;
}

/** Of which draft it is, and what it is kept with. */
export interface DraftScene<T> {
  readonly key: string;
  readonly version: number;
  readonly empty: () => T;
  /** What was stored, as today's form has it. */
  readonly sensible: (text: unknown, version: number) => T;
  readonly newStamp: () => string;
  /** Tells that two texts stand beside each other; nothing when it is settled. */
  readonly ask: (texts: TwoTexts | undefined) => void;
}

/** One draft in one tab: what it has, whose text that was, and whether another one stands beside it. */
export class KeptDraft<T extends object> {
  readonly value: WritableSignal<T>;
  /** The stored text that this tab has seen last, by anybody. */
  private stamp: string;
  private typedHere = false;
  private apart = false;
  private cleared = false;
  private seen: T | undefined;
  private readonly first: T;

  constructor(
    private readonly store: DraftStore,
    private readonly scene: DraftScene<T>,
  ) {
    const stored = store.read(scene.key);
    const { text, mark } = unmarked(stored);
    this.first = scene.sensible(text, mark.version);
    this.value = signal(this.first);
    this.stamp = mark.stamp;
    this.seen = isNothing(stored) ? undefined : this.first;
    const left = store.read(this.apartKey);
    if (!isNothing(left)) this.ask(() => scene.sensible(left, scene.version));
  }

  private get apartKey(): string {
    return `${this.scene.key}.apart`;
  }

  /** What stands in the form now goes to the device, unless it has come from there. */
  keep(draft: T): void {
    if (this.cleared || draft === this.seen) return;
    this.seen = draft;
    this.write(draft);
  }

  /** Another tab has written, or forgotten, this draft. */
  hear(newValue: string | null): void {
    if (this.cleared) return;
    if (newValue === null) {
      // sent or forgotten there: sent from here once more, it would be the same thing twice
      this.stamp = '';
      if (!this.typedHere) this.show(this.scene.empty());
      return;
    }
    const { text, mark } = unmarked(parsed(newValue));
    const follows = !this.typedHere || mark.base === this.stamp;
    this.stamp = follows || this.apart ? mark.stamp : this.stamp;
    if (this.apart) return;
    if (follows) this.follow(this.scene.sensible(text, mark.version));
    else this.standApart(mark.stamp);
  }

  clear(): void {
    this.cleared = true;
    this.store.remove(this.scene.key);
  }

  private write(draft: T): void {
    if (this.apart) {
      this.store.write(this.apartKey, JSON.stringify(draft));
      return;
    }
    const base = this.stamp;
    this.stamp = this.scene.newStamp();
    this.typedHere ||= draft !== this.first; // an empty form is nobody's text
    this.store.write(this.scene.key, marked(draft, { version: this.scene.version, stamp: this.stamp, base }));
  }

  private show(draft: T): void {
    this.seen = draft;
    this.value.set(draft);
  }

  private follow(draft: T): void {
    this.typedHere = false;
    this.show(draft);
  }

  /** Two texts that know nothing of each other: this one is kept beside. */
  private standApart(stamp: string): void {
    this.apart = true;
    this.stamp = stamp;
    this.write(this.value());
    this.ask(() => {
      const { text, mark } = unmarked(this.store.read(this.scene.key));
      return this.scene.sensible(text, mark.version);
    });
  }

  private ask(other: () => T): void {
    const settle = () => {
      this.apart = false;
      this.store.remove(this.apartKey);
      this.scene.ask(undefined);
    };
    this.scene.ask({
      takeOther: () => {
        const draft = other();
        settle();
        this.follow(draft);
      },
      keepThis: () => {
        settle();
        this.write(this.value());
      },
    });
  }
}
