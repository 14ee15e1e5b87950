import { unNumber } from './shipping';

// UN Model Regulations, packing instruction P200 table 2, and the collective entries of 49 CFR 172.101 (from memory)
test.each([
  ['R-22', false, '1018', false],
  ['R-134a', false, '3159', false],
  ['R-404A', false, '3337', false],
  ['R-290', true, '1978', false],
  ['R-410A', false, '3163', true],
  ['R-454B', true, '3161', true],
  [undefined, false, '3163', true],
] as const)('%s, flammable %s, travels as UN %s', (id, flammable, number, collective) => {
  expect(unNumber(id, flammable)).toEqual({ number, collective });
});
