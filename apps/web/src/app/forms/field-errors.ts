import type { AbstractControl } from '@angular/forms';

/** What a validator of `validators.ts` says of a field: a sentence, or that it is missing, for which the field makes its own sentence. */
export interface FieldErrors {
  /** Nothing is in it: told once somebody tried to send. */
  readonly missing?: true | string;
  /** It cannot be read: told once the field was left, or somebody tried to send. */
  readonly unreadable?: string;
  /** It cannot be so: told at once. */
  readonly wrong?: string;
  /** The server has refused it: told until something else is typed. */
  readonly server?: string;
}

/** What is wrong between fields, as the error of their group: the sentence under the name of the control that bears it. */
export interface GroupErrors {
  readonly fields: Readonly<Record<string, string>>;
}

/** The sentence that stands under a field; nothing where all is well or it is too early to say. `missing` is what an empty one is told. */
export function errorTold(control: AbstractControl, missing: string, submitted: boolean): string | undefined {
  const errors = (control.errors ?? {}) as FieldErrors; // validators of this folder give only these
  if (errors.server !== undefined) return errors.server;
  if (errors.missing !== undefined) return submitted ? (errors.missing === true ? missing : errors.missing) : undefined;
  if (errors.unreadable !== undefined) return control.touched || submitted ? errors.unreadable : undefined;
  return errors.wrong ?? betweenFields(control);
}

function betweenFields(control: AbstractControl): string | undefined {
  const { parent } = control;
  const group = parent?.errors as Partial<GroupErrors> | null | undefined;
  const name = Object.entries(parent?.controls ?? {}).find(([, other]) => other === control)?.[0];
  return name === undefined ? undefined : group?.fields?.[name];
}
