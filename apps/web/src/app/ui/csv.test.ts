import fc from 'fast-check';
import { parse } from 'papaparse';
import { asWritten, csvOf } from './csv';

const cellOf = (name: string): string => parse<string[]>(csvOf([{ name, more: 'x' }])).data[1]![0]!;

test.each(['=1+1', '@SUM(A1)', '+1+1', '-1+1|cmd', '\t=1', ' =1+1', '-'])('%j does not reach a spreadsheet as a formula', (name) => {
  expect(cellOf(name)).toBe(`'${name}`);
});

test.each(['-11.6', '+3', '-0,5', 'Cheese cave', "'quoted'", 'a=b'])('%j stays as it is', (name) => {
  expect(cellOf(name)).toBe(name);
});

test('whatever was typed comes back as it was', () => {
  const nearFormulas = fc.string({ unit: fc.constantFrom("'", '=', '+', '-', '@', '1', ',', ' ', '\t', 'a'), maxLength: 8 });
  fc.assert(fc.property(fc.oneof(nearFormulas, fc.string()), (name) => asWritten(cellOf(name)) === name));
});
