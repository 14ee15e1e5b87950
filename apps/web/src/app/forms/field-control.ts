import { computed, DestroyRef, Directive, inject, signal, type OnInit, type WritableSignal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormGroupDirective, NgControl, type ControlValueAccessor } from '@angular/forms';
import { merge } from 'rxjs';
import { errorTold } from './field-errors';

/**
 * What every field of ours is to a reactive form: its `ControlValueAccessor`, and the sentence of its control. A field that is not bound to a
 * control is used by its model.
 */
@Directive()
export abstract class FieldControl<T> implements ControlValueAccessor, OnInit {
  private readonly bound = inject(NgControl, { self: true, optional: true });
  private readonly form = inject(FormGroupDirective, { optional: true });
  private readonly destroyed = inject(DestroyRef);
  /** Controls are no signals: their events are counted, so that what is computed from them is computed anew. */
  private readonly events = signal(0);
  private tell: (value: T) => void = () => undefined;
  private left: () => void = () => undefined;

  /** What is in it. */
  protected abstract readonly held: WritableSignal<T>;
  /** What is said of it when it is empty and should not be. */
  protected abstract readonly whenMissing: () => string;
  protected readonly disabled = signal(false);
  protected readonly isBound = this.bound !== null;

  /** The sentence of its control. */
  protected readonly told = computed(() => {
    this.events();
    const control = this.bound?.control;
    return control == null ? undefined : errorTold(control, this.whenMissing(), this.form?.submitted ?? false);
  });

  constructor() {
    if (this.bound !== null) this.bound.valueAccessor = this;
  }

  ngOnInit(): void {
    const control = this.bound?.control;
    if (control == null) return;
    merge(control.events, control.root.events)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe(() => this.events.update((count) => count + 1));
  }

  /** A person has changed it. */
  protected give(value: T): void {
    this.held.set(value);
    this.tell(value);
  }

  /** A person has left it. */
  protected leave(): void {
    this.left();
  }

  writeValue(value: T): void {
    this.held.set(value);
  }
  registerOnChange(tell: (value: T) => void): void {
    this.tell = tell;
  }
  registerOnTouched(left: () => void): void {
    this.left = left;
  }
  setDisabledState(disabled: boolean): void {
    this.disabled.set(disabled);
  }
}
