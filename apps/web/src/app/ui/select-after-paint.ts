import type { OverlayRef } from '@angular/cdk/overlay';
import { ChangeDetectorRef, DestroyRef, Directive, ElementRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NzSelectComponent } from 'ng-zorro-antd/select';
import { exhaustMap, filter, fromEvent, map, Subject, switchMap, takeUntil, tap, type Observable } from 'rxjs';
import { afterPaint$ } from './after-paint';

/** How the library marks what is chosen: the mark is painted, then the list closes and what the choice means is computed. */
const CHOSEN = 'ant-select-item-option-selected';

/**
 * A long list takes a while to draw, to search and to act on: the field shows that it was touched, the letter that was typed and the option
 * that was hit, and all that follows comes with the next frame.
 */
@Directive({ selector: 'nz-select[hyAfterPaint]' })
export class SelectAfterPaint {
  private readonly select = inject(NzSelectComponent);
  private readonly field = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly view = inject(ChangeDetectorRef);
  private readonly searchNow = this.select.onInputValueChange.bind(this.select);
  private readonly typed = new Subject<void>();
  private readonly searched = new Subject<void>();
  /** What stands in the field and the list does not know yet. */
  private unsearched: string | undefined;

  constructor() {
    const destroyed = inject(DestroyRef);
    // in the capture phase, before the library's own listeners, which would do it at once
    const held = <E extends Event>(target: EventTarget, type: string, whether: (event: E) => boolean): Observable<E> =>
      fromEvent<E>(target, type, { capture: true }).pipe(
        filter(whether),
        tap((event) => event.stopImmediatePropagation()),
        takeUntilDestroyed(destroyed),
      );
    held(this.field, 'click', () => !this.select.nzOpen && !this.select.nzDisabled)
      .pipe(exhaustMap(() => afterPaint$))
      .subscribe(() => this.select.setOpenState(true));

    // the letters are the field's at once: what the library writes into it while it opens would wipe out one that it does not know
    this.select.onInputValueChange = (text) => {
      this.unsearched = text;
      this.typed.next();
    };
    this.typed
      .pipe(
        switchMap(() => afterPaint$.pipe(takeUntil(this.searched))),
        takeUntilDestroyed(destroyed),
      )
      .subscribe(() => this.search());
    // a key that goes to what was found goes to what is found by now
    fromEvent<KeyboardEvent>(this.field, 'keydown', { capture: true })
      .pipe(
        filter(({ key }) => key.length > 1),
        takeUntilDestroyed(destroyed),
      )
      .subscribe(() => this.search());

    // taken by what it is, not by pressing it once more: by then another list may be open, which would close at a press outside of it
    held<MouseEvent>(document, 'click', ({ target }) => this.optionOf(target) !== undefined)
      .pipe(
        map(({ target }) => this.optionOf(target)),
        tap((hit) => hit?.option.classList.add(CHOSEN)),
        exhaustMap((hit) => afterPaint$.pipe(map(() => hit))),
      )
      .subscribe((hit) => this.select.onItemClick(hit?.value));

    // what Enter chooses is marked already
    const chooses = ({ key, isComposing }: KeyboardEvent) =>
      key === 'Enter' && !isComposing && this.select.nzOpen && this.select.activatedValue !== null;
    held(this.field, 'keydown', chooses)
      .pipe(
        tap((event) => event.preventDefault()),
        exhaustMap(() => afterPaint$),
      )
      .subscribe(() => this.select.onItemClick(this.select.activatedValue));
  }

  /** The option of this field's own list that was hit: a list beside it may be open too, until what was chosen there is taken. */
  private optionOf(target: EventTarget | null): { readonly option: Element; readonly value: unknown } | undefined {
    const option = this.select.nzOpen && target instanceof Element ? target.closest('nz-option-item') : null;
    const overlay = this.select.cdkConnectedOverlay.overlayRef as OverlayRef | undefined; // none before the list is drawn for the first time
    if (option === null || !overlay?.overlayElement.contains(option)) return undefined;
    const item = this.select.listOfContainerItem.find(({ nzTitle }) => nzTitle === option.getAttribute('title'));
    return item === undefined ? undefined : { option, value: item.nzValue };
  }

  private search(): void {
    const text = this.unsearched;
    if (text === undefined) return;
    this.unsearched = undefined;
    this.searched.next();
    this.searchNow(text);
    this.view.markForCheck();
  }
}
