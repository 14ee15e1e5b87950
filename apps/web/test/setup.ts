import '@angular/localize/init';
import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';
import { deserialize, serialize } from 'node:v8';

setupZonelessTestEnv();

// jsdom lacks it
globalThis.structuredClone ??= (value) => deserialize(serialize(value));

/** jsdom has no layout: whatever is waited for is in sight at once. */
class EverythingInSight implements IntersectionObserver {
  readonly root = null;
  readonly rootMargin = '';
  readonly scrollMargin = '';
  readonly thresholds = [];

  constructor(private readonly seen: IntersectionObserverCallback) {}

  observe(target: Element): void {
    queueMicrotask(() => this.seen([{ isIntersecting: true, target } as IntersectionObserverEntry], this));
  }

  unobserve = () => undefined;
  disconnect = () => undefined;
  takeRecords = () => [];
}
globalThis.IntersectionObserver ??= EverythingInSight;

/** Nothing is scrolled here. */
Element.prototype.scrollIntoView = () => undefined;
