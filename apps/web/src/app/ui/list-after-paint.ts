import { Directive, ElementRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { exhaustMap, filter, fromEvent, tap } from 'rxjs';
import { afterPaint$ } from './after-paint';

/** Where a short list opens in the page, as `styles/short-lists.css` has it; elsewhere it is the device's own, and opens as that does. */
const opensInPage = (): boolean =>
  'showPicker' in HTMLSelectElement.prototype &&
  CSS.supports('appearance', 'base-select') &&
  matchMedia('(hover: hover) and (pointer: fine)').matches;

/** A short list that is pressed shows that it was, and opens with the frame after it. */
@Directive({ selector: 'select' })
export class ListAfterPaint {
  constructor() {
    const list = inject<ElementRef<HTMLSelectElement>>(ElementRef).nativeElement;
    if (!opensInPage()) return;
    fromEvent<MouseEvent>(list, 'mousedown')
      .pipe(
        filter(({ button }) => button === 0 && !list.disabled && !list.matches(':open')),
        tap((event) => {
          event.preventDefault();
          list.focus();
        }),
        exhaustMap(() => afterPaint$),
        takeUntilDestroyed(),
      )
      .subscribe(() => {
        list.showPicker();
      });
  }
}
