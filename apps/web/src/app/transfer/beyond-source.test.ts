import { beyondSource } from './beyond-source';

const units = { massText: (kg: number) => `${kg.toFixed(2)} kg` };
const said = (kind: 'cylinder' | 'system' | 'supplier', massKg: number, movedKg: number) =>
  beyondSource({ kind, name: 'C-01', massKg }, movedKg, units);

test('a cylinder gives what is in it, as far as two scales agree', () => {
  expect(said('cylinder', 4, 4.09)).toBeUndefined();
  expect(said('cylinder', 4, 4.2)).toContain('only 4.00 kg in C-01');
  expect(said('cylinder', -0.4, 0.5)).toContain('only 0.00 kg');
});

test('a system may give a tenth more than the book has, for nobody knows its charge better', () => {
  expect(said('system', 9, 9.9)).toBeUndefined();
  expect(said('system', 9, 10.2)).toContain('The book has only 9.00 kg in C-01');
});

test('a supplier gives whatever comes, and nobody has been chosen yet', () => {
  expect(said('supplier', -100, 20)).toBeUndefined();
  expect(beyondSource(undefined, 3, units)).toBeUndefined();
});
