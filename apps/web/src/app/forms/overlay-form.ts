import { DestroyRef, effect, inject, untracked, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormBuilder } from '@angular/forms';
import { rulesOf, type FormOf, type FormRules } from './draft-form';

export interface Overlay<T extends object> {
  /** A value of the form's shape, whatever it says. */
  readonly shape: T;
  /** What is recorded: it may be read anew while somebody types. */
  readonly record: Signal<T>;
  /** What was typed: it lies over the record. */
  readonly typed: Signal<Partial<T>>;
  /** A person has changed something: everything that was typed until now. */
  readonly change: (typed: Partial<T>) => void;
}

/** A form over what is recorded: what nobody has typed follows the record, what was typed stays. Call it where effects may be made. */
export function overlayForm<T extends object>({ shape, record, typed, change }: Overlay<T>, rules: FormRules<T>): FormOf<T> {
  const builder = inject(FormBuilder).nonNullable;
  const keys = Object.keys(shape) as unknown as readonly (keyof T & string)[]; // an object's own keys
  const controls = Object.fromEntries(
    keys.map((key) => [key, builder.control(shape[key] as unknown, { validators: [...rulesOf(rules, key)] })]),
  );
  const group = builder.group(controls, { validators: [...(rules.group ?? [])] });
  group.valueChanges.pipe(takeUntilDestroyed(inject(DestroyRef))).subscribe(() => {
    const now = Object.fromEntries(keys.filter((key) => controls[key]?.dirty).map((key) => [key, controls[key]?.value]));
    const before = Object.fromEntries(keys.filter((key) => key in untracked(typed)).map((key) => [key, untracked(typed)[key] as unknown]));
    // a form that is begun anew is nobody's change
    if (Object.keys(now).length > 0 && JSON.stringify(now) !== JSON.stringify(before)) change(now as Partial<T>);
  });
  effect(() => {
    const [recorded, over] = [record(), typed()];
    untracked(() => {
      for (const key of keys) {
        const control = controls[key];
        if (control === undefined) continue;
        const isTyped = key in over;
        const value: unknown = isTyped ? over[key] : recorded[key];
        if (isTyped) control.markAsDirty();
        else control.markAsPristine();
        if (JSON.stringify(control.value) !== JSON.stringify(value)) control.setValue(value, { emitEvent: false });
      }
      // a rule of one field may look at another: once all are set, each is looked at again, and the fields hear of it
      for (const control of Object.values(controls)) control.updateValueAndValidity({ emitEvent: false });
      group.updateValueAndValidity();
    });
  });
  return group as unknown as FormOf<T>; // each control was made from its field of T
}
