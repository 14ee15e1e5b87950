import { DestroyRef, Directive, ElementRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NzSelectComponent } from 'ng-zorro-antd/select';
import { exhaustMap, filter, fromEvent, tap } from 'rxjs';
import { afterPaint$ } from './after-paint';

/** A long list takes a while to draw: the field shows that it was touched, and its list opens with the next frame. */
@Directive({ selector: 'nz-select[hyOpenAfterPaint]' })
export class OpenAfterPaint {
  constructor() {
    const select = inject(NzSelectComponent);
    const field = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // added before the library's own listener, which would open it at once
    fromEvent<MouseEvent>(field, 'click')
      .pipe(
        filter(() => !select.nzOpen && !select.nzDisabled),
        tap((click) => click.stopImmediatePropagation()),
        exhaustMap(() => afterPaint$),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe(() => select.setOpenState(true));
  }
}
