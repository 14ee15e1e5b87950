import type { AbstractControl, ValidationErrors, ValidatorFn } from '@angular/forms';
import { CoreError } from '@hygromet/core/errors';
import type { Pascal } from '@hygromet/core/units/quantity';
import { readNumber } from '@hygromet/core/units/read-number';
import { readStamp } from '../cylinders/stamp-month';
import { readQuantity, type QuantityEntry, type QuantityKind } from '../ui/quantity-entry';
import type { FieldErrors } from './field-errors';

const said = (errors: FieldErrors): ValidationErrors => errors;

/** Something stands in it; blanks are nothing. @param sentence where the label makes none */
export const filled =
  (sentence?: string): ValidatorFn =>
  ({ value }: AbstractControl<string | null>) =>
    (value ?? '').trim() === '' ? said({ missing: sentence ?? true }) : null;

interface QuantityAsked {
  readonly optional?: boolean;
  /** Pa, from which gauges read. */
  readonly atmosphere?: () => Pascal;
}

/** A quantity that can be read. @param kind also by a function, where it follows from another field */
export const quantity =
  (kind: QuantityKind, { optional = false, atmosphere }: QuantityAsked = {}): ValidatorFn =>
  ({ value }: AbstractControl<QuantityEntry>) => {
    const reading = readQuantity(kind, value, atmosphere?.());
    if (reading.state === 'bad') return said({ unreadable: reading.sentence });
    return reading.state === 'empty' && !optional ? said({ missing: true }) : null;
  };

/** A number, where one is typed. @param sentence what is wrong with one that can be read */
export const numberIfAny =
  (sentence: (value: number) => string | undefined = () => undefined): ValidatorFn =>
  ({ value }: AbstractControl<string>) => {
    if (value.trim() === '') return null;
    try {
      const wrong = sentence(readNumber(value));
      return wrong === undefined ? null : said({ wrong });
    } catch (error) {
      if (error instanceof CoreError) return said({ unreadable: error.message });
      throw error;
    }
  };

/** A month as it is stamped on a collar. */
export const stampMonth: ValidatorFn = ({ value }: AbstractControl<string>) => {
  const stamp = readStamp(value);
  if (stamp.state === 'bad') return said({ unreadable: stamp.sentence });
  return stamp.state === 'empty' ? said({ missing: true }) : null;
};

/** Whatever makes a sentence of a value makes a validator: told at once. */
export const wrongIf =
  <T>(sentence: (value: T) => string | undefined): ValidatorFn =>
  ({ value }: AbstractControl<T>) => {
    const wrong = sentence(value);
    return wrong === undefined ? null : said({ wrong });
  };

/** What fields say of each other: the sentence under the name of the one that bears it. */
export const between =
  <T extends object>(sentences: (value: T) => Readonly<Partial<Record<keyof T, string | undefined>>>): ValidatorFn =>
  (group: AbstractControl) => {
    const fields = Object.fromEntries(Object.entries(sentences(group.getRawValue() as T)).filter(([, sentence]) => sentence !== undefined));
    return Object.keys(fields).length === 0 ? null : { fields };
  };

/** Only where the form is about that; `overlayForm` looks at every field again when one changes. */
export const onlyIf =
  <T extends object>(applies: (value: T) => boolean, ...validators: readonly ValidatorFn[]): ValidatorFn =>
  (control: AbstractControl) => {
    if (control.parent === null || !applies(control.parent.getRawValue() as T)) return null;
    for (const validator of validators) {
      const errors = validator(control);
      if (errors !== null) return errors;
    }
    return null;
  };
