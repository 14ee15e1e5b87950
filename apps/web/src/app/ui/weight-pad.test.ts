import { render, stage } from '../../../test/scene';
import { emptyEntry, type QuantityEntry } from './quantity-entry';
import { WeightPad } from './weight-pad';

async function open(unit: string) {
  stage();
  const page = await render(WeightPad, { label: 'Weight', entry: emptyEntry(unit) });
  const entry = (): QuantityEntry => page.fixture.componentInstance.entry();
  const keys = async (...names: string[]) => {
    for (const name of names) await page.press(name);
  };
  return { ...page, entry, keys };
}

test('digits make a decimal with one mark, and can be taken back and cleared', async () => {
  const { keys, entry } = await open('lb');
  await keys('Decimal mark', '5', 'Decimal mark', '2');
  expect(entry().text).toBe('0.52');
  await keys('Take the last digit back');
  expect(entry().text).toBe('0.5');
  await keys('Clear');
  expect(entry()).toEqual(emptyEntry('lb'));
});

test('the unit stands before the digits and cannot be changed under them', async () => {
  const { keys, entry, button } = await open('lb');
  await keys('kg');
  expect(entry().unit).toBe('kg');
  await keys('8');
  expect([button('lb').disabled, button('kg').disabled]).toEqual([true, false]);
  await keys('lb', 'Clear', 'lb');
  expect(entry()).toEqual(emptyEntry('lb'));
});

test('pounds and ounces are two boxes: 5 lb 5 oz is never 5.5 lb', async () => {
  const { keys, entry, text, control } = await open('lb-oz');
  await keys('5', 'On to the ounces', '5');
  expect(entry()).toEqual({ unit: 'lb-oz', text: '5', ounces: '5' });
  await keys('Decimal mark', '5');
  expect(entry().ounces).toBe('5.5');
  expect(control('Weight, ounces').value).toBe('5.5');
  await keys('Clear', '5', 'On to the ounces', '1', '7');
  expect(text()).toContain('Ounces run from 0 to below 16');
});

test('a keyboard may be used as well: what it types is read, a decimal in whole pounds is refused', async () => {
  const { type, entry, text } = await open('lb-oz');
  await type('Weight, pounds', '5.5');
  expect(entry().text).toBe('5.5');
  expect(text()).toContain('If the scale shows "5.5" with a decimal mark, choose lb.');
});
