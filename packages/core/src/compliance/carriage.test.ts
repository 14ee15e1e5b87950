import { carriageReasons, notCarried, notShipped } from './carriage';

const flagLists = [
  [],
  ['overfilled'],
  ['pressure-rating-too-low'],
  ['negative-balance'],
  ['overdue'],
  ['mixed', 'overfilled'],
  ['overdue', 'negative-balance'],
];

test.each(flagLists.flatMap((flags) => [-1, 0, 4].map((contentKg) => [flags, contentKg] as const)))(
  'what must not be driven (%j, %d kg) is not shipped either',
  (flags, contentKg) => {
    const driven = notCarried(flags);
    if (driven !== undefined) expect(notShipped({ flags, contentKg })).toBe(driven);
    else expect(carriageReasons).not.toContain(notShipped({ flags, contentKg }));
  },
);

test('nothing is shipped that the papers could not name', () => {
  expect(notShipped({ flags: ['negative-balance'], contentKg: -2 })).toBe('negative-balance');
  expect(notShipped({ flags: [], contentKg: 0 })).toBe('empty');
  expect(notShipped({ flags: ['overdue'], contentKg: 3 })).toBeUndefined();
});
