import { FormGroup, FormRecord, type AbstractControl, type FormBuilder, type FormControl, type ValidatorFn } from '@angular/forms';
import type { Shipment } from '@hygromet/contract/shipment';
import { merge } from 'rxjs';
import type { FormOf } from '../forms/draft-form';
import { filled, numberIfAny, onlyIf, quantity, wrongIf } from '../forms/validators';
import { emptyLine, lacksReason, type LineDraft, type ReceiptDraft } from './receipt-draft';

export type LineForm = FormOf<LineDraft>;
export type ReceiptForm = FormGroup<{
  certificate: FormControl<string>;
  currency: FormControl<string>;
  charges: FormControl<string>;
  note: FormControl<string>;
  /** By the id of the cylinder. */
  lines: FormRecord<LineForm>;
}>;

const share = numberIfAny((percent) => (percent < 0 || percent > 100 ? $localize`A share is between 0 and 100 %.` : undefined));

/** A group for everything, and one for each cylinder of the shipment. @param unit of weights that nobody has typed yet */
export function receiptForm(builder: FormBuilder, draft: ReceiptDraft, shipment: Shipment, unit: string): ReceiptForm {
  const { nonNullable } = builder;
  const lines = shipment.lines.map(({ cylinder, massKg }): [string, LineForm] => [
    cylinder,
    lineForm(builder, draft.lines[cylinder] ?? emptyLine(unit), massKg),
  ]);
  return new FormGroup({
    certificate: nonNullable.control(draft.certificate),
    currency: nonNullable.control(draft.currency, { validators: [threeLetters] }),
    charges: nonNullable.control(draft.charges, { validators: [notBelowNothing] }),
    note: nonNullable.control(draft.note),
    lines: new FormRecord(Object.fromEntries(lines)),
  });
}

const threeLetters: ValidatorFn = wrongIf((currency: string) =>
  /^[A-Z]{3}$/i.test(currency) ? undefined : $localize`Three letters, such as USD.`,
);
const notBelowNothing = numberIfAny((charges) =>
  charges < 0 ? $localize`Charges are 0 or more; what is paid to you is a credit of its cylinder.` : undefined,
);

function lineForm({ nonNullable }: FormBuilder, line: LineDraft, sentKg: number): LineForm {
  const form = nonNullable.group({
    received: nonNullable.control(line.received, { validators: [quantity('mass')] }),
    purity: nonNullable.control(line.purity, { validators: [share] }),
    air: nonNullable.control(line.air, { validators: [share] }),
    moisture: nonNullable.control(line.moisture, { validators: [numberIfAny()] }),
    acid: nonNullable.control(line.acid, { validators: [numberIfAny()] }),
    difference: nonNullable.control(line.difference),
    reason: nonNullable.control(line.reason, {
      validators: [onlyIf((typed: LineDraft) => lacksReason(typed, sentKg), filled($localize`Give the reason: it stands with the entry.`))],
    }),
    credit: nonNullable.control(line.credit, { validators: [numberIfAny()] }),
    back: nonNullable.control(line.back),
  });
  // whether a reason is missing follows from its neighbours; what changes the reason itself has looked already
  const { received, difference, reason } = form.controls;
  merge(received.valueChanges, difference.valueChanges).subscribe(() => reason.updateValueAndValidity({ emitEvent: false }));
  reason.updateValueAndValidity({ emitEvent: false });
  return form;
}

/** Where what the server says of a part of a receipt belongs. */
export function pointersOf({ controls }: ReceiptForm, shipment: Shipment): Readonly<Record<string, AbstractControl>> {
  const { certificate, currency, charges, note, lines } = controls;
  const ofLines = shipment.lines.flatMap(({ cylinder }, k) => {
    const fields = lines.controls[cylinder]?.controls;
    if (fields === undefined) return [];
    const places: readonly (readonly [string, AbstractControl])[] = [
      ['receivedKg', fields.received],
      ['analysis/purityShare', fields.purity],
      ['analysis/airShare', fields.air],
      ['analysis/moisturePpm', fields.moisture],
      ['analysis/acidPpm', fields.acid],
      ['difference/reason', fields.reason],
      ['credit', fields.credit],
    ];
    return places.map(([place, control]) => [`/lines/${k}/${place}`, control] as const);
  });
  return { '/certificate': certificate, '/currency': currency, '/charges': charges, '/note': note, ...Object.fromEntries(ofLines) };
}
