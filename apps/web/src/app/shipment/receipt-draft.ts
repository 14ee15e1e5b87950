import { cameBack, type NewReceipt, type Shipment } from '@hygromet/contract/shipment';
import { sameWeight } from '@hygromet/core/cylinder/same-weight';
import { readNumber } from '@hygromet/core/units/read-number';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** What is typed of one cylinder. */
export interface LineDraft {
  readonly received: QuantityEntry;
  readonly purity: string;
  readonly air: string;
  readonly moisture: string;
  readonly acid: string;
  readonly difference: string;
  readonly reason: string;
  readonly credit: string;
  readonly back: string;
}

export interface ReceiptDraft {
  readonly certificate: string;
  readonly currency: string;
  readonly charges: string;
  readonly note: string;
  /** By the id of the cylinder. */
  readonly lines: Readonly<Record<string, LineDraft>>;
}

export const emptyLine = (unit: string): LineDraft => ({
  received: emptyEntry(unit),
  purity: '',
  air: '',
  moisture: '',
  acid: '',
  difference: 'booked',
  reason: '',
  credit: '',
  back: 'empty',
});
export const emptyReceipt = (): ReceiptDraft => ({ certificate: '', currency: 'USD', charges: '', note: '', lines: {} });

/** kg that the reclaimer weighed more (above 0) or less than was sent; nothing while it cannot be read. */
export function differsBy(line: LineDraft | undefined, sentKg: number): number | undefined {
  const received = line === undefined ? undefined : readQuantity('mass', line.received);
  return received?.state === 'good' ? received.si - sentKg : undefined;
}
export const needsReason = (differsKg: number | undefined): boolean => differsKg !== undefined && !sameWeight(differsKg);

/** Whether its difference is asked for a reason, and has none. */
export const lacksReason = (line: LineDraft, sentKg: number): boolean =>
  needsReason(differsBy(line, sentKg)) && line.difference === 'explained' && line.reason.trim() === '';

/** A receipt without what it is sent under. */
export type TypedReceipt = Omit<NewReceipt, 'key' | 'happenedAt' | 'recordedBy'>;

/** What was typed, of a form without errors. */
export function receiptOf({ certificate, currency, charges, note, lines }: ReceiptDraft, shipment: Shipment): TypedReceipt {
  return {
    certificate: certificate.trim(),
    currency: currency.toUpperCase(),
    charges: numberOf(charges) ?? 0,
    note: note.trim(),
    lines: shipment.lines.flatMap(({ cylinder, massKg }) => {
      const line = lines[cylinder];
      return line === undefined ? [] : [{ cylinder, ...lineOf(line, massKg) }];
    }),
  };
}

function lineOf(line: LineDraft, sentKg: number): Omit<NewReceipt['lines'][number], 'cylinder'> {
  const received = readQuantity('mass', line.received);
  const [purityShare, airShare] = [shareOf(line.purity), shareOf(line.air)];
  const [moisturePpm, acidPpm] = [numberOf(line.moisture), numberOf(line.acid)];
  return {
    receivedKg: received.state === 'good' ? received.si : 0,
    analysis: {
      ...(purityShare === undefined ? {} : { purityShare }),
      ...(airShare === undefined ? {} : { airShare }),
      ...(moisturePpm === undefined ? {} : { moisturePpm }),
      ...(acidPpm === undefined ? {} : { acidPpm }),
    },
    difference: differenceOf(line, sentKg),
    back: cameBack.find((one) => one === line.back) ?? 'empty',
    credit: numberOf(line.credit) ?? 0,
  };
}

function differenceOf(line: LineDraft, sentKg: number): NewReceipt['lines'][number]['difference'] {
  if (!needsReason(differsBy(line, sentKg))) return { is: 'none' };
  return line.difference === 'explained' ? { is: 'explained', reason: line.reason.trim() } : { is: 'booked' };
}

const numberOf = (text: string): number | undefined => (text.trim() === '' ? undefined : readNumber(text));
const shareOf = (percent: string): number | undefined => {
  const number = numberOf(percent);
  return number === undefined ? undefined : number / 100;
};
