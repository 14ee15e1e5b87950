import { cameBack, type NewReceipt, type Shipment } from '@hygromet/contract/shipment';
import { CoreError } from '@hygromet/core/errors';
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

/** What is wrong, by the field: "charges", or "received" of a cylinder as "<id>/received". */
export type Problems = Readonly<Record<string, string>>;
export type ReceiptReading =
  | { readonly state: 'good'; readonly receipt: Omit<NewReceipt, 'key' | 'happenedAt' | 'recordedBy'> }
  | { readonly state: 'bad'; readonly problems: Problems };

type Number_ =
  { readonly state: 'empty' } | { readonly state: 'good'; readonly value: number } | { readonly state: 'bad'; readonly sentence: string };

function numberIn(text: string): Number_ {
  if (text.trim() === '') return { state: 'empty' };
  try {
    return { state: 'good', value: readNumber(text) };
  } catch (error) {
    if (error instanceof CoreError) return { state: 'bad', sentence: error.message };
    throw error;
  }
}

/** kg that the reclaimer weighed more (above 0) or less than was sent; nothing while it cannot be read. */
export function differsBy(line: LineDraft | undefined, sentKg: number): number | undefined {
  const received = line === undefined ? undefined : readQuantity('mass', line.received);
  return received?.state === 'good' ? received.si - sentKg : undefined;
}
export const needsReason = (differsKg: number | undefined): boolean => differsKg !== undefined && !sameWeight(differsKg);

/** The receipt as it is typed, or what is wrong with it, each beside its field. */
export function readReceipt(draft: ReceiptDraft, shipment: Shipment, unit: string): ReceiptReading {
  const problems: Record<string, string> = {};
  const number = (field: string, text: string): number | undefined => {
    const read = numberIn(text);
    if (read.state === 'bad') problems[field] = read.sentence;
    return read.state === 'good' ? read.value : undefined;
  };
  const lines = shipment.lines.map(({ cylinder, massKg }): NewReceipt['lines'][number] => {
    const lineDraft = draft.lines[cylinder] ?? emptyLine(unit);
    const received = readQuantity('mass', lineDraft.received);
    if (received.state === 'empty') problems[`${cylinder}/received`] = $localize`What did the reclaimer weigh? 0 where nothing was.`;
    if (received.state === 'bad') problems[`${cylinder}/received`] = received.sentence;
    const share = (field: 'purity' | 'air') => {
      const percent = number(`${cylinder}/${field}`, lineDraft[field]);
      if (percent !== undefined && (percent < 0 || percent > 100))
        problems[`${cylinder}/${field}`] = $localize`A share is between 0 and 100 %.`;
      return percent === undefined ? undefined : percent / 100;
    };
    const open = needsReason(differsBy(lineDraft, massKg));
    if (open && lineDraft.difference === 'explained' && lineDraft.reason.trim() === '')
      problems[`${cylinder}/reason`] = $localize`Give the reason: it stands with the entry.`;
    const [purityShare, airShare] = [share('purity'), share('air')];
    const [moisturePpm, acidPpm] = [number(`${cylinder}/moisture`, lineDraft.moisture), number(`${cylinder}/acid`, lineDraft.acid)];
    return {
      cylinder,
      receivedKg: received.state === 'good' ? received.si : 0,
      analysis: {
        ...(purityShare === undefined ? {} : { purityShare }),
        ...(airShare === undefined ? {} : { airShare }),
        ...(moisturePpm === undefined ? {} : { moisturePpm }),
        ...(acidPpm === undefined ? {} : { acidPpm }),
      },
      difference: !open
        ? { is: 'none' }
        : lineDraft.difference === 'explained'
          ? { is: 'explained', reason: lineDraft.reason.trim() }
          : { is: 'booked' },
      back: cameBack.find((one) => one === lineDraft.back) ?? 'empty',
      credit: number(`${cylinder}/credit`, lineDraft.credit) ?? 0,
    };
  });
  const charges = number('charges', draft.charges) ?? 0;
  if (charges < 0) problems['charges'] = $localize`Charges are 0 or more; what is paid to you is a credit of its cylinder.`;
  if (!/^[A-Z]{3}$/.test(draft.currency)) problems['currency'] = $localize`Three letters, such as USD.`;
  const { certificate, currency, note } = draft;
  return Object.keys(problems).length > 0
    ? { state: 'bad', problems }
    : { state: 'good', receipt: { certificate: certificate.trim(), currency, charges, note: note.trim(), lines } };
}
