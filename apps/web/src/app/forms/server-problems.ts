import { computed, effect, untracked, type Signal } from '@angular/core';
import type { AbstractControl } from '@angular/forms';
import type { MutationState } from '../data/mutation';

/**
 * What the server has refused lands on its control, and goes when something else is typed there.
 * @param controls which control a JSON pointer of the request means, or the code of an error that is about one field @returns the sentence that belongs to none of them
 */
export function serverProblems(
  state: Signal<MutationState>,
  controls: Readonly<Record<string, AbstractControl>>,
): () => string | undefined {
  const landing = computed((): readonly (readonly [AbstractControl, string])[] => {
    const now = state();
    if (now.state !== 'refused') return [];
    const { fields, code, message } = now.apiError;
    return Object.entries({ ...fields, [code]: message }).flatMap(([place, sentence]) => {
      const control = controls[place];
      return control === undefined ? [] : [[control, sentence] as const];
    });
  });
  effect(() => {
    const landed = landing();
    untracked(() => landed.forEach(([control, sentence]) => control.setErrors({ ...control.errors, server: sentence })));
  });
  return () => {
    const now = state();
    if (now.state !== 'refused') return undefined;
    const homeless = Object.entries(now.apiError.fields).flatMap(([pointer, sentence]) => (pointer in controls ? [] : [sentence]));
    if (homeless.length > 0) return homeless.join(' ');
    return landing().length === 0 ? now.apiError.message : undefined;
  };
}
