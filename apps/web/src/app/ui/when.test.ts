import { render, stage } from '../../../test/scene';
import { minuteOf, readWhen } from './when';
import { WhenField } from './when-field';

const now = new Date(2026, 10, 26, 7, 5, 30);

test('nothing typed is now; a time on this device is that instant', () => {
  expect(readWhen('', now)).toEqual({ state: 'good', instant: now.toISOString() });
  const before = new Date(2026, 10, 25, 18, 40);
  expect(readWhen(minuteOf(before), now)).toEqual({ state: 'good', instant: before.toISOString() });
  expect(minuteOf(now)).toBe('2026-11-26T07:05');
});

test.each([
  ['2026-11-26T07:06', 'cannot be in the future'],
  ['yesterday', 'Give day and time'],
])('%s is asked back', (when, sentence) => {
  expect(readWhen(when, now)).toEqual({ state: 'bad', sentence: expect.stringContaining(sentence) });
});

test('the field is now until "Earlier" is chosen; what cannot be stands under it', async () => {
  stage();
  const { press, text, root, fixture } = await render(WhenField, { when: '' });
  expect(text()).toContain('now');
  await press('Earlier');
  const input = root.querySelector('input');
  expect(input?.value).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/);
  fixture.componentRef.setInput('when', minuteOf(new Date(Date.now() + 3_600_000)));
  fixture.detectChanges();
  expect(root.querySelector('[role="alert"]')?.textContent).toContain('cannot be in the future');
  await press('Now');
  expect(root.querySelector('input')).toBeNull();
});
