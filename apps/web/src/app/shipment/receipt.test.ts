import type { NewReceipt, Shipment } from '@hygromet/contract/shipment';
import { FormBuilder, type AbstractControl } from '@angular/forms';
import { of, throwError } from 'rxjs';
import { ApiError } from '../data/api-error';
import { aCylinder, render, stage } from '../../../test/scene';
import { readFile } from '../sheets/read-file';
import { emptyLine, emptyReceipt, receiptOf, type ReceiptDraft } from './receipt-draft';
import { linesOfFile } from './receipt-file';
import { receiptForm } from './receipt-form';
import { ReceiptPage } from './receipt.page';
import { ShipmentList } from './shipment-list';

const current: Shipment = {
  id: 'sh1',
  to: 'Brackwater Reclaim',
  carrier: '',
  day: '2026-11-25',
  lines: [
    { cylinder: 'a', name: 'C-02', refrigerant: 'R-410A', composition: null, massKg: 5, tareKg: 8 },
    { cylinder: 'b', name: 'C-11', refrigerant: null, composition: null, massKg: 2, tareKg: 8 },
  ],
  happenedAt: '2026-11-25T08:00:00.000Z',
  recordedBy: 'Ines Marrow',
  receipt: null,
};
const kg = (text: string) => ({ unit: 'kg', text, ounces: '' });
const draft = (a: object = {}, b: object = {}, more: Partial<ReceiptDraft> = {}): ReceiptDraft => ({
  ...emptyReceipt(),
  lines: { a: { ...emptyLine('kg'), received: kg('5'), ...a }, b: { ...emptyLine('kg'), received: kg('2'), ...b } },
  ...more,
});
const formOf = (typed: ReceiptDraft) => receiptForm(new FormBuilder(), typed, current, 'kg');
/** Fields with an error, as "a/received". */
const wrong = (typed: ReceiptDraft) => {
  const { lines, ...head } = formOf(typed).controls;
  const named = (controls: Record<string, AbstractControl>, before = '') =>
    Object.entries(controls).flatMap(([name, { invalid }]) => (invalid ? [`${before}${name}`] : []));
  return [...Object.entries(lines.controls).flatMap(([cylinder, line]) => named(line.controls, `${cylinder}/`)), ...named(head)];
};

test('a receipt that agrees needs no reason; shares are typed in per cent', () => {
  const typed = draft({ purity: '99.5', air: '1', moisture: '30', credit: '12.5' }, {}, { currency: 'eur' });
  expect(wrong(typed)).toEqual([]);
  expect(receiptOf(typed, current)).toMatchObject({
    currency: 'EUR',
    lines: [
      {
        cylinder: 'a',
        receivedKg: 5,
        analysis: { purityShare: 0.995, airShare: 0.01, moisturePpm: 30 },
        difference: { is: 'none' },
        credit: 12.5,
      },
      { cylinder: 'b', receivedKg: 2, analysis: {}, credit: 0 },
    ],
  });
});

test('what differs is not accounted for, unless a reason is given', () => {
  expect(receiptOf(draft({ received: kg('4.5') }), current)).toMatchObject({ lines: [{ difference: { is: 'booked' } }, {}] });
  expect(wrong(draft({ received: kg('4.5'), difference: 'explained' }))).toEqual(['a/reason']);
  const told = draft({ received: kg('4.5'), difference: 'explained', reason: 'oil' });
  expect(wrong(told)).toEqual([]);
  expect(receiptOf(told, current)).toMatchObject({ lines: [{ difference: { is: 'explained', reason: 'oil' } }, {}] });
});

test('a reason is asked for as soon as the weight differs, and no more when it agrees again', () => {
  const { a } = formOf(draft({ difference: 'explained' })).controls.lines.controls;
  expect(a?.controls.reason.invalid).toBe(false);
  a?.controls.received.setValue(kg('4.5'));
  expect([a?.controls.reason.invalid, a?.invalid]).toEqual([true, true]);
  a?.controls.received.setValue(kg('5'));
  expect([a?.controls.reason.invalid, a?.invalid]).toEqual([false, false]);
});

test.each([
  ['a weight that is missing', draft({ received: kg('') }), 'a/received'],
  ['a weight that is none', draft({}, { received: kg('about two') }), 'b/received'],
  ['more than pure', draft({ purity: '101' }), 'a/purity'],
  ['moisture in words', draft({ moisture: 'dry' }), 'a/moisture'],
  ['charges below nothing', draft({}, {}, { charges: '-5' }), 'charges'],
  ['a currency in words', draft({}, {}, { currency: 'dollars' }), 'currency'],
])('%s is wrong at its field, and nothing else', (_, typed, field) => {
  expect(wrong(typed)).toEqual([field]);
});

describe('a file of the reclaimer', () => {
  const lines = (text: string) => linesOfFile(readFile('receipt.csv', text), current);

  test('fills the lines of its cylinders, in the unit of its heading', () => {
    const read = lines('Cylinder,Net lb,Purity percent,Moisture ppm,Credit\nC-02,11.0,99.6,25,14\nc-11,4.4,,,\n');
    expect(read).toMatchObject({
      state: 'good',
      lines: {
        a: { received: { unit: 'lb', text: '11.0' }, purity: '99.6', moisture: '25', credit: '14' },
        b: { received: { text: '4.4' } },
      },
    });
  });

  test.each([
    ['a cylinder that was never sent', 'cylinder,net_kg\nC-99,4\n', /C-99 was not on this shipment/],
    ['no weights', 'cylinder,credit\nC-02,4\n', /No column is headed "net_lb"/],
    ['no cylinders', 'what,net_kg\nC-02,4\n', /No column is headed "cylinder"/],
    ['no table', '[{"cylinder":"C-02"}]', /table/],
  ])('with %s is refused, and nothing of it is taken', (_, text, sentence) => {
    const read = lines(text);
    expect([read.state, 'sentence' in read ? read.sentence : '']).toEqual(['bad', expect.stringMatching(sentence)]);
  });
});

describe('the page', () => {
  const open = async (shipment: Shipment = current) => {
    const sent: NewReceipt[] = [];
    stage({
      id: 'sh1',
      serverData: { shipment$: () => of(shipment), receiveShipment$: (_: string, body: NewReceipt) => (sent.push(body), of(shipment)) },
      drafts: { [`receipt.sh1`]: draft({ received: kg('4.5') }) },
    });
    return { ...(await render(ReceiptPage)), sent };
  };

  test('shows what was sent, asks what becomes of a difference, and sends what was typed', async () => {
    const { text, type, press, sent } = await open();
    expect(text()).toContain('Shipment to Brackwater Reclaim');
    expect(text()).toContain('1.1 lb less than was sent');
    await type('The difference', 'explained');
    await press('Log receipt');
    expect([sent.length, text()]).toEqual([0, expect.stringContaining('Give the reason')]);
    await type('Reason', 'oil drawn off');
    await type('Certificate number', 'BW-1187');
    await press('Log receipt');
    expect(sent[0]).toMatchObject({
      certificate: 'BW-1187',
      lines: [{ difference: { is: 'explained', reason: 'oil drawn off' } }, { cylinder: 'b' }],
    });
  });

  test('what got no answer is sent again as the same receipt; another one has another key', async () => {
    const sent: NewReceipt[] = [];
    const receiveShipment$ = (_: string, body: NewReceipt) => {
      sent.push(body);
      return throwError(() => new ApiError('offline', 'The server does not answer.'));
    };
    stage({
      id: 'sh1',
      serverData: { shipment$: () => of(current), receiveShipment$ },
      drafts: { [`receipt.sh1`]: draft({}) },
    });
    const { press, type } = await render(ReceiptPage);
    await press('Log receipt');
    await press('Log receipt');
    expect(sent).toHaveLength(2);
    expect(sent[1]).toEqual(sent[0]);
    await type('Certificate number', 'BW-1188');
    await press('Log receipt');
    expect(sent[2]?.key).not.toBe(sent[0]?.key);
  });

  test('a settled shipment shows sent, received, analysis and what it brought', async () => {
    const receipt = {
      certificate: 'BW-1187',
      currency: 'USD',
      charges: 20,
      note: '',
      happenedAt: '2026-11-28T08:00:00.000Z',
      recordedAt: '2026-11-28T08:00:00.000Z',
      recordedBy: 'Ines Marrow',
      lines: current.lines.map(({ cylinder, name, massKg }) => ({
        cylinder,
        name,
        sentKg: massKg,
        receivedKg: massKg,
        analysis: { purityShare: 0.9953, moisturePpm: 30 },
        difference: { is: 'none' as const },
        back: 'empty' as const,
        credit: 30,
      })),
    };
    const { text } = await open({ ...current, receipt });
    expect(text()).toContain('99.53 % pure, moisture 30 ppm');
    expect(text()).toContain('Certificate BW-1187');
    expect(text()).toContain('USD 40.00');
  });

  test('the list tells which shipment waits for its receipt', async () => {
    stage({ serverData: { shipments$: of([current]), cylinders$: of([aCylinder()]) } });
    const { text } = await render(ShipmentList);
    expect(text()).toContain('C-02, C-11, 15.4 lb');
    expect(text()).toContain('no receipt yet');
  });
});
