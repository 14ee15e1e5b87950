import type { FormGroup } from '@angular/forms';
import type { NewPrice, PriceOnRecord } from '@hygromet/contract/price';
import { of } from 'rxjs';
import { render, stage } from '../../../test/scene';
import { Prices } from './prices';

const onRecord: PriceOnRecord = {
  id: 'p1',
  refrigerant: 'R-410A',
  kind: 'buy',
  perKg: 24.5,
  currency: 'USD',
  from: '2026-11-01',
  recordedAt: '2026-11-01T08:00:00.000Z',
  recordedBy: 'Ines Marrow',
};

test('prices are typed and shown by the pound where the scale shows pounds, and kept by the kilogram', async () => {
  const sent: NewPrice[] = [];
  stage({ serverData: { prices$: of([onRecord]), addPrice$: (body: NewPrice) => (sent.push(body), of(onRecord)) } });
  const { text, type, press, fixture } = await render(Prices);
  expect(text()).toContain('R-410A costs USD 11.11 a lb');
  await type('Price per lb', '12');
  await press('Add the price');
  expect([sent.length, text()]).toEqual([0, expect.stringContaining('Which refrigerant?')]);
  (fixture.componentInstance as unknown as { form: FormGroup }).form.patchValue({ refrigerant: 'R-32' });
  await press('Add the price');
  expect(sent[0]).toMatchObject({ refrigerant: 'R-32', kind: 'buy', currency: 'USD', perKg: expect.closeTo(26.4555, 3) });
});

test('a price in words is named beside its field', async () => {
  stage({});
  const { text, type } = await render(Prices);
  await type('Price per lb', 'twelve');
  expect(text()).toContain('"twelve" is not a number');
});
