import { computed, Directive, input } from '@angular/core';
import { isStale, type Loadable } from './loadable';

/** What stands here answers an earlier question: it is greyed until the answer to what is on the page is there, and nobody acts on it. */
@Directive({
  selector: '[hyComputing]',
  host: { '[class.computing]': 'stale()', '[attr.aria-busy]': 'stale() || null' },
})
export class Computing {
  readonly hyComputing = input.required<Loadable<unknown>>();
  protected readonly stale = computed(() => isStale(this.hyComputing()));
}
