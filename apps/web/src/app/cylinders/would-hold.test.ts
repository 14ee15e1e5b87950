import { of } from 'rxjs';
import { aCylinder, aSystem, render, settled, stage } from '../../../test/scene';
import { WouldHold } from './would-hold';

const empty = aCylinder({
  refrigerant: null,
  composition: null,
  contentKg: 0,
  fillStatus: { state: 'empty' },
  evacuatedAt: '2026-11-20T08:00:00.000Z',
});
const systems = [
  aSystem(),
  aSystem({ id: 's2', refrigerant: 'R-22' }),
  aSystem({ id: 's3', refrigerant: 'R-22' }),
  aSystem({ id: 's4', refrigerant: 'R-744' }),
];
const rowsOf = async (cylinder: ReturnType<typeof aCylinder>, serverData: object = {}) => {
  stage({ serverData: { systems$: of(systems), ...serverData } });
  const { root, fixture, text } = await render(WouldHold, { cylinder });
  for (let k = 0; k < 4; k++) await settled(fixture);
  const cells = (row: Element) => [...row.children].map((cell) => cell.textContent?.replace(/\s+/g, ' ').trim()).join(' | ');
  return { rows: [...root.querySelectorAll('tbody tr')].map(cells), text };
};

test('an empty cylinder tells what it may take, the most common refrigerant first, and why not', async () => {
  const { rows } = await rowsOf(empty);
  expect(rows[0]).toMatch(/^R-22 in 2 systems \| \d\d\.\d lb \| \d\d\.\d lb$/);
  // 0.95 × 11.91 L × the density of saturated R-410A at 131 °F, and the tare of 17.2 lb: 21.58 and 38.78; less the budget of the stop
  expect(rows[1]).toBe('R-410A in one system | 21.0 lb | 38.2 lb');
  expect(rows[2]).toMatch(/^R-744 in one system \| .*no fill limit/);
});

test('one that is out of use takes nothing', async () => {
  const { rows } = await rowsOf({ ...empty, retiredAt: '2026-11-21T08:00:00.000Z' });
  expect(rows.every((row) => row.includes('out of use'))).toBe(true);
});

test('without any system it says what its limits follow from', async () => {
  const { rows, text } = await rowsOf(empty, { systems$: of([]) });
  expect(rows).toEqual([]);
  expect(text()).toContain('Fill limits are set by the first refrigerant charged.');
});

test('of more than eight refrigerants the rarest are named, and told at the transfer', async () => {
  const ids = ['R-22', 'R-32', 'R-134a', 'R-404A', 'R-407A', 'R-407C', 'R-410A', 'R-448A', 'R-449A', 'R-513A'];
  const { rows, text } = await rowsOf(empty, { systems$: of(ids.map((id) => aSystem({ id, refrigerant: id }))) });
  expect(rows).toHaveLength(8);
  expect(text()).toContain('Others (R-449A, R-513A) are shown when you start a fill.');
});
