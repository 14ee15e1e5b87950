import { densityIn } from './density';
import { specificEnergyIn } from './specific-energy';

// NIST SP 811, appendix B (from memory): 1 lb/ft³ = 16.01846 kg/m³, 1 Btu(IT)/lb = 2326 J/kg exactly.
test('a cubic foot of a pound', () => {
  expect(densityIn(16.01846, 'lb/ft3')).toBeCloseTo(1, 6);
  expect(densityIn(1058.6, 'kg/m3')).toBe(1058.6);
});

test('a Btu to the pound', () => {
  expect(specificEnergyIn(2326, 'Btu/lb')).toBe(1);
  expect(specificEnergyIn(2326, 'kJ/kg')).toBe(2.326);
});
