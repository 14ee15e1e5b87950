import { afterNextRender, DestroyRef, Directive, ElementRef, inject, signal } from '@angular/core';

/** The width of an element as a signal, so that a drawing can be laid out in real pixels and its letters keep their size. */
@Directive({ selector: '[hyWidth]', exportAs: 'hyWidth' })
export class Width {
  readonly pixels = signal(640);

  constructor() {
    const element: Element = inject<ElementRef<Element>>(ElementRef).nativeElement;
    if (typeof ResizeObserver === 'undefined') return; // no layout, no width: tests without a browser
    // before the first paint: a drawing of the usual width would stand out of a phone until the observer is heard
    afterNextRender({
      earlyRead: () => {
        const width = element.clientWidth;
        if (width > 0) this.pixels.set(width);
      },
    });
    const observer = new ResizeObserver(([entry]) => {
      if (entry !== undefined && entry.contentRect.width > 0) this.pixels.set(entry.contentRect.width);
    });
    observer.observe(element);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }
}
