import fc from 'fast-check';
import { shapedAs } from './shaped-as';

const shape = {
  stage: 'cylinder',
  before: { text: '', unit: 'lb' },
  overrules: false,
  count: 0,
  list: [] as string[],
  target: null,
  free: {},
};
const kinds = (value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).map(([key, own]) => [key, kinds(own)]))
    : Array.isArray(value)
      ? 'list'
      : typeof value;

test('whatever was stored, what comes out has the kinds of the shape', () => {
  const current = { ...shape, target: '' }; // a null says nothing of what may stand there
  const odd = fc.record(
    {
      stage: fc.anything(),
      before: fc.anything(),
      overrules: fc.anything(),
      count: fc.anything(),
      list: fc.anything(),
      more: fc.anything(),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(fc.oneof(odd, fc.anything()), (stored) => {
      const { free: _, ...fixed } = shapedAs(stored, current);
      const { free: __, ...wanted } = current;
      expect(kinds(fixed)).toEqual(kinds(wanted));
    }),
  );
});

test('what fits is kept, also inside a field that has lost another part', () => {
  expect(shapedAs({ before: { text: '12.5', scale: 'x' }, gone: 1 }, shape)).toEqual({ ...shape, before: { text: '12.5', unit: 'lb' } });
  expect(shapedAs({ before: null }, shape).before).toEqual({ text: '', unit: 'lb' });
  expect(shapedAs({ before: '12.5' }, shape).before).toEqual({ text: '', unit: 'lb' });
});
