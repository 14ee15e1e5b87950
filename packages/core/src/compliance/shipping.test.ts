import { unNumber } from './shipping';

// UN Model Regulations, dangerous goods list, and 49 CFR 172.101 (from memory)
test.each([
  ['R-22', '1018', '2.2'],
  ['R-134a', '3159', '2.2'],
  ['R-404A', '3337', '2.2'],
  ['R-290', '1978', '2.1'],
  ['R-23', '1984', '2.2'],
  ['R-502', '1973', '2.2'],
  ['R-115', '1020', '2.2'],
  ['R-124', '1021', '2.2'],
  ['R-142b', '2517', '2.1'],
  ['R-227ea', '3296', '2.2'],
  ['R-1270', '1077', '2.1'],
  ['R-764', '1079', '2.3 (8)'],
  ['R-E170', '1033', '2.1'],
])('%s travels under its own entry, UN %s, %s', (id, number, division) => {
  expect(unNumber(id, false)).toMatchObject({ number, class: division, collective: false });
});

test.each([
  ['R-410A', false, '3163'],
  ['R-454B', true, '3161'],
  [undefined, false, '3161'], // nobody knows whether it burns
  [undefined, true, '3161'],
] as const)('%s, flammable %s, travels collectively as UN %s', (id, flammable, number) => {
  expect(unNumber(id, flammable)).toMatchObject({ number, collective: true });
});

// vapour pressures at 50 °C: R-11 236 kPa, R-123 212 kPa (ASHRAE tables, from memory); R-245fa 344 kPa is a gas of class 2
test.each(['R-11', 'R-113', 'R-123', 'R-141b', 'R-1336mzz(Z)', 'R-514A'])('%s is no gas of class 2', (id) => {
  expect(unNumber(id, false).number).toBeUndefined();
});

test.each(['R-245fa', 'R-114', 'R-600'])('%s is one', (id) => {
  expect(unNumber(id, false).number).toBeDefined();
});
