import { celsius, fahrenheit } from '../units/temperature';
import { isUnusualAmbient } from './usual-ambient';

test.each([-40, 0, 80, 140])('%d °F is weather', (degrees) => expect(isUnusualAmbient(fahrenheit(degrees))).toBe(false));
test.each([-41, 141, 212])('%d °F is asked about', (degrees) => expect(isUnusualAmbient(fahrenheit(degrees))).toBe(true));
test('degrees Fahrenheit typed as Celsius are asked about', () => expect(isUnusualAmbient(celsius(80))).toBe(true));
