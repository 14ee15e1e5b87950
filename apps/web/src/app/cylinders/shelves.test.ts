import { of } from 'rxjs';
import { aCylinder, render, stage } from '../../../test/scene';
import { RackPage } from './rack.page';
import { shelvesOf, type Shelving } from './shelves';

const full = {
  state: 'limited',
  ruling: 'eighty-percent-77F',
  limitGrossKg: 11.5,
  stopGrossKg: 11.5,
  mayAddKg: 0.1,
  liquidShare77F: 0.78,
  stopShare77F: 0.8,
} as const;
const empty = { contentKg: 0, refrigerant: null, composition: null, fillStatus: { state: 'empty' } } as const;
const cylinders = [
  aCylinder({ id: '1', name: 'C-1', place: 'workshop' }),
  aCylinder({ id: '2', name: 'C-2', fillStatus: full }),
  aCylinder({ id: '3', name: 'C-3', flags: ['overfilled'], refrigerant: 'R-22' }),
  aCylinder({ id: '4', name: 'C-4', ...empty, evacuatedAt: '2026-11-20T08:00:00.000Z' }),
  aCylinder({ id: '5', name: 'C-5', ...empty }),
];

test.each<[Shelving, [string, string[]][]]>([
  [
    'place',
    [
      ['Van', ['C-2', 'C-3', 'C-4', 'C-5']],
      ['Workshop', ['C-1']],
    ],
  ],
  [
    'refrigerant',
    [
      ['empty', ['C-4', 'C-5']],
      ['R-22', ['C-3']],
      ['R-410A', ['C-1', 'C-2']],
    ],
  ],
  [
    'state',
    [
      ['Needs attention', ['C-3']],
      ['Full', ['C-2']],
      ['Partial', ['C-1']],
      ['Empty and evacuated', ['C-4']],
      ['Empty, not evacuated', ['C-5']],
    ],
  ],
])('shelves by %s', (by, expected) => {
  expect(shelvesOf(cylinders, by).map(({ name, cylinders: own }) => [name, own.map((one) => one.name)])).toEqual(expected);
});

test('the rack is put on other shelves, and remembers it', async () => {
  const { kept } = stage({ serverData: { cylinders$: of(cylinders) } });
  const { type, root } = await render(RackPage);
  const shelves = () => [...root.querySelectorAll('section.shelf')].map((shelf) => shelf.getAttribute('aria-label'));
  expect(shelves()).toEqual(['Van', 'Workshop']);
  await type('Shelves', 'refrigerant');
  expect(shelves()).toEqual(['empty', 'R-22', 'R-410A']);
  expect(kept['hygromet.draft.rack']).toContain('"by":"refrigerant"');
});
