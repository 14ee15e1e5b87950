import { DestroyRef, effect, inject, Injector, untracked, type Signal, type WritableSignal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormBuilder, type FormControl, type FormGroup, type ValidatorFn } from '@angular/forms';
import { Drafts, type DraftOptions } from '../data/draft.service';
import { shapedAs } from '../data/shaped-as';

export type FormOf<T extends object> = FormGroup<{ [K in keyof T]: FormControl<T[K]> }>;

/** A typed form whose value is kept on the device as it is typed. */
export interface DraftForm<T extends object> {
  readonly form: FormOf<T>;
  readonly value: Signal<T>;
  /** Forgets what was typed, when it was sent and the page is left. */
  readonly clear: () => void;
  /** Begins anew, when it was sent and the page stays. */
  readonly renew: () => void;
}

export interface FormRules<T extends object> {
  readonly fields?: { readonly [K in keyof T]?: readonly ValidatorFn[] };
  /** What holds between fields. */
  readonly group?: readonly ValidatorFn[];
}

/** Call it where effects may be made. */
export function draftForm<T extends object>(
  name: string,
  empty: () => T,
  rules: FormRules<T>,
  options: DraftOptions<T> = {},
): DraftForm<T> {
  const builder = inject(FormBuilder).nonNullable;
  const draft = inject(Drafts).open(name, empty, options);
  const controls = Object.fromEntries(
    Object.entries(draft.value()).map(([key, value]) => [key, builder.control(value as unknown, { validators: [...rulesOf(rules, key)] })]),
  );
  const form = builder.group(controls, { validators: [...(rules.group ?? [])] }) as unknown as FormOf<T>; // each control was made from its field of T
  keptIn(draft.value, form, inject(Injector));
  return { form, value: draft.value.asReadonly(), clear: draft.clear, renew: () => draft.value.set(empty()) };
}

/** The form's value is what the draft holds, whichever of them changes: it is typed here, in another tab, or begun anew. */
export function keptIn<T extends object>(draft: WritableSignal<T>, form: FormGroup, injector: Injector): void {
  const valueOf = () => form.getRawValue() as T; // its controls were made from the fields of T
  form.valueChanges.pipe(takeUntilDestroyed(injector.get(DestroyRef))).subscribe(() => draft.set(valueOf()));
  effect(
    () => {
      const value = draft();
      untracked(() => {
        // a draft may lack what nobody has typed yet
        if (!same(shapedAs(value, valueOf()), valueOf())) form.patchValue(value);
      });
    },
    { injector },
  );
}

/** The rules of a field, by its name. */
export const rulesOf = <T extends object>({ fields }: FormRules<T>, key: string): readonly ValidatorFn[] =>
  (fields as Readonly<Record<string, readonly ValidatorFn[]>> | undefined)?.[key] ?? [];

const same = (one: object, other: object) => JSON.stringify(one) === JSON.stringify(other);
