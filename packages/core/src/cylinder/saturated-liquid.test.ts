import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { kelvin } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import { saturatedLiquid } from './saturated-liquid';

const of = (id: string) => refrigerant(id).composition;

test('what is remembered is what the model says, however often and in whatever order it is asked', () => {
  const temperatures = Array.from({ length: 150 }, (_, k) => kelvin(250 + ((k * 37) % 80)));
  for (const T of temperatures) {
    const { rhoLiquid, p } = bubblePoint(of('R-407C'), T);
    expect(saturatedLiquid(of('R-407C'), T)).toEqual({ rho: rhoLiquid, p });
  }
});

test('two compositions of one name are two: neither is answered with the other', () => {
  const [one, other] = [
    { 'R-32': 0.5, 'R-125': 0.5 },
    { 'R-32': 0.6, 'R-125': 0.4 },
  ];
  expect(saturatedLiquid(one, fahrenheit(131))?.p).not.toBe(saturatedLiquid(other, fahrenheit(131))?.p);
  expect(saturatedLiquid({ ...one }, fahrenheit(131))).toEqual(saturatedLiquid(one, fahrenheit(131)));
});

test('carbon dioxide has no liquid at 131 °F, the first time and the second', () => {
  expect(saturatedLiquid(of('R-744'), fahrenheit(131))).toBeUndefined();
  expect(saturatedLiquid(of('R-744'), fahrenheit(131))).toBeUndefined();
});
