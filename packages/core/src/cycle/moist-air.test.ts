import { waterVapourPressure } from '../proof/water';
import { temperatureFrom } from '../units/temperature';
import { airEnthalpy, humidityAt, humidityOf, saturatedEnthalpy, saturatedHumidity, saturatedTemperature, wetBulbOf } from './moist-air';

const SEA = 101_325;
const F = (value: number) => temperatureFrom(value, 'F');

// ASHRAE Handbook, Fundamentals, psychrometric tables (from memory): humidity ratio of saturated air, kg/kg.
test.each([
  [0, 0.00379],
  [10, 0.00766],
  [20, 0.01476],
  [30, 0.02733],
])('saturated air at %d °C holds %d kg a kilogram', (t, w) => {
  // the table counts with the enhancement of real gases, 0.4 %
  expect(saturatedHumidity(273.15 + t, SEA) / w).toBeCloseTo(0.996, 2);
});

// The rating point of cooling, 80 °F dry and 67 °F wet bulb: 0.0112 kg/kg, 31.5 Btu/lb = 55.3 kJ/kg above 0 °C dry air (from memory).
test('at 80 and 67 °F the humidity is 0.0112 and the enthalpy that of saturated air at the wet bulb, nearly', () => {
  const w = humidityOf(F(80), F(67), SEA);
  expect(w).toBeCloseTo(0.0112, 3);
  expect(airEnthalpy(F(80), w) / 1000).toBeCloseTo(55.3, 0);
  expect(Math.abs(airEnthalpy(F(80), w) - saturatedEnthalpy(F(67), SEA))).toBeLessThan(600);
});

test('wet bulb and saturated temperature are the inverses of what they come from', () => {
  for (const t of [40, 65, 80, 100]) {
    expect(wetBulbOf(F(t), 1, SEA)).toBeCloseTo(F(t), 4);
    expect(saturatedTemperature(saturatedEnthalpy(F(t), SEA), SEA)).toBeCloseTo(F(t), 6);
    const wet = wetBulbOf(F(t), 0.5, SEA);
    expect(humidityOf(F(t), wet, SEA)).toBeCloseTo(humidityAt(0.5 * waterVapourPressure(F(t)), SEA), 8);
  }
});

test('wet bulb above the dry bulb is no air', () => {
  expect(humidityOf(F(70), F(70), SEA)).toBeGreaterThan(humidityOf(F(70), F(60), SEA));
});
