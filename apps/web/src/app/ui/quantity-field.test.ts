import { render, stage } from '../../../test/scene';
import { emptyEntry } from './quantity-entry';
import { QuantityField } from './quantity-field';

const field = (more: Record<string, unknown> = {}) => {
  stage();
  return render(QuantityField, { label: 'Tare', kind: 'mass', entry: emptyEntry('lb'), ...more });
};

test('what is typed is read, and what is wrong stands beside the field once it was left', async () => {
  const { type, text, control } = await field();
  await type('Tare', '17,x');
  expect(text()).toContain('"17,x" is not a number');
  expect(control('Tare').getAttribute('aria-invalid')).toBe('true');
  expect(document.getElementById(control('Tare').getAttribute('aria-describedby') ?? '') ?? text()).toBeTruthy();
  await type('Tare', '17,2');
  expect(text()).not.toContain('not a number');
});

test('pounds and ounces are two fields, and ounces end at 16', async () => {
  const { type, text } = await field({ entry: emptyEntry('lb-oz') });
  await type('Tare', '17');
  await type('Tare, ounces', '17');
  expect(text()).toContain('Ounces run from 0 to below 16');
  await type('Tare', '17.2');
  expect(text()).toContain('Whole pounds here');
});

test('an empty field is named only when somebody tried to send', async () => {
  const { text, fixture } = await field();
  expect(text()).not.toContain('missing');
  fixture.componentRef.setInput('submitted', true);
  await fixture.whenStable();
  expect(text()).toContain('The tare is missing.');
});

test('a sentence of the server is shown as one of the field’s own', async () => {
  const { text } = await field({ problem: 'The tare is 0. Read "TW" from the collar.' });
  expect(text()).toContain('The tare is 0.');
});

test('gauge pressure is read from the atmosphere of the place', async () => {
  const { type, text } = await field({ label: 'Gauge reads', kind: 'pressure', entry: emptyEntry('inHg') });
  await type('Gauge reads', '35');
  expect(text()).toContain('No gauge reads below a full vacuum');
});
