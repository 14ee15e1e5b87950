import { render, stage } from '../../../test/scene';
import { BigNumber } from './big-number';
import { Caution } from './caution';
import { ChoiceField } from './choice-field';
import { Spine } from './spine';
import { TextField } from './text-field';
import { WeightBeam } from './weight-beam';

beforeEach(() => void stage());

test('a number that rules stands with what it is and its unit', async () => {
  const { root } = await render(BigNumber, { what: 'Close the valve when the scale reads', number: '38.7', unit: 'lb gross' });
  expect([...root.querySelectorAll('p')].map(({ textContent }) => textContent?.trim())).toEqual([
    'Close the valve when the scale reads',
    '38.7 lb gross',
  ]);
});

test('a number that nobody may act on is quiet', async () => {
  const { root } = await render(BigNumber, { what: 'Not to be filled now. Its stop weight is', number: '38.7', unit: 'lb', quiet: true });
  expect(root.querySelector('.ruling')!.classList).toContain('quiet');
});

test.each([
  [false, 'Caution: '],
  [true, 'Danger: '],
])('a caution (grave: %s) is read aloud as such, not by its colour alone', async (grave, word) => {
  const { text, root } = await render(Caution, { grave });
  expect(text()).toContain(word.trim());
  expect(root.getAttribute('role')).toBe('note');
});

test('one of a few is chosen, and the choice is told', async () => {
  const { type, fixture } = await render(ChoiceField, {
    label: 'Where it is',
    choices: [
      { value: 'van', label: 'Van' },
      { value: 'site', label: 'On site' },
    ],
    value: 'van',
  });
  await type('Where it is', 'site');
  expect(fixture.componentInstance.value()).toBe('site');
});

test('a text that is missing is named when somebody tried to send', async () => {
  const { text } = await render(TextField, { label: 'Your name', text: ' ', submitted: true });
  expect(text()).toMatch(/your name is missing/i);
});

test('the spine says where one is', async () => {
  const { root } = await render(Spine, { stages: ['Cylinder', 'Transfer', 'Account'], current: 'Transfer' });
  expect(root.querySelector('[aria-current]')?.textContent).toContain('Transfer');
});

test('the beam says in words what it draws: tare, now and stop', async () => {
  const { root } = await render(WeightBeam, { tareKg: 7.801789, nowKg: 11.1584, stopKg: 17.59 });
  const words = root.querySelector('[role="img"]')?.getAttribute('aria-label') ?? root.textContent ?? '';
  expect(words).toMatch(/17\.2/);
  expect(words).toMatch(/24\.6/);
  expect(words).toMatch(/38\.7/);
});

test.each([
  ['below the tare', 5],
  ['at the tare', 7.801789],
  ['beyond the stop', 19],
])('a reading %s draws no part of the beam backwards', async (_, nowKg) => {
  stage();
  const { root } = await render(WeightBeam, { tareKg: 7.801789, nowKg, stopKg: 17.59 });
  const widths = [...root.querySelectorAll('svg rect[y="34"]')].map((element) => Number(element.getAttribute('width')));
  expect(widths.length).toBeGreaterThan(3);
  for (const width of widths) expect(width).toBeGreaterThanOrEqual(0);
});
