import { render, settled, stage } from '../../../test/scene';
import { AddCylinderPage } from './add-cylinder.page';
import { collarStamps, type CollarEntries } from './collar-stamps';

const entry = (unit: string, text: string, ounces = '') => ({ unit, text, ounces });
const entries = (more: Partial<CollarEntries> = {}): CollarEntries => ({
  name: '',
  volume: entry('lb-water', ''),
  tare: entry('lb', ''),
  service: entry('psig', ''),
  stamp: '',
  stampedBy: '',
  ...more,
});
const figure = (id: string, more: Partial<CollarEntries>) => collarStamps(entries(more)).find((stamp) => stamp.id === id)?.figure;

test.each<[string, Partial<CollarEntries>, string]>([
  ['volume', { volume: entry('lb-water', ' 47.7 ') }, '47.7 lb'],
  ['volume', { volume: entry('L', '21.6') }, '21.6 L'],
  ['tare', { tare: entry('kg', '12.9') }, '12.9 kg'],
  ['tare', { tare: entry('lb-oz', '28', '6') }, '28 lb 6 oz'],
  ['tare', { tare: entry('lb-oz', '28') }, '28 lb'],
  ['service', { service: entry('psig', '400') }, '400'],
  ['service', { service: entry('barg', '28') }, '28 bar'],
  ['number', { name: ' C-21 ' }, 'C-21'],
  ['stamp', { stamp: '11-21' }, '11-21'],
  ['volume', {}, ''],
])('the stamp "%s" of %j reads "%s"', (id, more, expected) => {
  expect(figure(id, more)).toBe(expected);
});

test('a UN cylinder bears no DOT specification', () => {
  expect(collarStamps(entries({ stampedBy: 'un' }))[0]?.before).toBe('UN');
});

describe('beside the form', () => {
  const stamp = (root: Element, name: string) => root.querySelector<SVGGElement>(`[role=button][aria-label^='Stamp ${name}:']`)!;

  test('a stamp echoes what is typed and leads to its field', async () => {
    stage();
    const page = await render(AddCylinderPage);
    expect(stamp(page.root, 'TW').getAttribute('aria-label')).toBe('Stamp TW: not typed yet');
    await page.type('Tare', '28.4');
    expect(stamp(page.root, 'TW').getAttribute('aria-label')).toBe('Stamp TW: 28.4 lb');
    const focus = jest.spyOn(page.control('Tare'), 'focus');
    stamp(page.root, 'TW').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect(focus).toHaveBeenCalledTimes(1);
  });

  test('the stamp of the field that is typed is marked, and no other', async () => {
    stage();
    const page = await render(AddCylinderPage);
    page.control('Water capacity').dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
    await settled(page.fixture);
    expect([...page.root.querySelectorAll('.stamp.here')].map((marked) => marked.getAttribute('aria-label'))).toEqual([
      'Stamp WC: not typed yet',
    ]);
    page.control('Gross weight (scale reading)').dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
    await settled(page.fixture);
    expect(page.root.querySelector('.stamp.here')).toBeNull();
  });
});
