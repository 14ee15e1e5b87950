import { OutOfRange } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { cubicMetre, kelvin, kilogram, pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { closedVolume } from './closed-volume';
import { energyFlash, flash, internalEnergy } from './flash';
import { airIn, gasShare, pressureWithGas } from './non-condensable';
import { bubblePoint, dewPoint } from './saturation';

const { composition } = refrigerant('R-407C');
const T = celsius(25);
const V = cubicMetre(0.0119);

test('between dew and bubble pressure there are two phases at exactly that pressure', () => {
  const [low, high] = [dewPoint(composition, T).p, bubblePoint(composition, T).p];
  for (const share of [0.05, 0.3, 0.7, 0.95]) {
    const state = flash(composition, T, pascal(low + share * (high - low)));
    expect(state.state).toBe('two-phase');
    expect(state.p / (low + share * (high - low))).toBeCloseTo(1, 9);
  }
});

test('above there is liquid, below there is vapour, at that pressure', () => {
  expect(flash(composition, T, pascal(3e6))).toMatchObject({ state: 'liquid-full', p: expect.closeTo(3e6, 0) });
  expect(flash(composition, T, pascal(3e5))).toMatchObject({ state: 'vapour', p: expect.closeTo(3e5, 3) });
});

test.each([0.3, 3, 8, 12.9])('a vessel with %d kg comes back from its energy', (mass) => {
  const m = kilogram(mass);
  const warm = closedVolume(composition, V, m, celsius(31.3));
  const found = energyFlash(composition, V, m, internalEnergy(warm, m));
  expect(found.T).toBeCloseTo(celsius(31.3), 6);
  expect(found.vessel.p / warm.p).toBeCloseTo(1, 6);
});

test('an energy that no temperature gives is refused', () => {
  expect(() => energyFlash(composition, V, kilogram(3), 1e12)).toThrow(OutOfRange);
});

// AHRI 700 (from memory): non-condensables are a share by volume of the vapour at 25 °C; Dalton's law.
test('air raises the pressure by its partial pressure in the vapour space, which shrinks as the liquid grows', () => {
  const air = airIn(composition, V, kilogram(6), 0.03);
  const at = (T: number) => pressureWithGas(composition, V, kilogram(6), kelvin(T), air);
  const value = closedVolume(composition, V, kilogram(6), celsius(25)).p;
  // the pressed liquid evaporates a little more, by some tenths of a per cent of its pressure (Poynting)
  expect(gasShare(at(celsius(25)), value)).toBeCloseTo(0.03, 2);
  expect(gasShare(value, value * 1.01)).toBe(0);
  let last = 0;
  for (let T = 250; T < 420; T += 5) {
    const p = at(T);
    expect(p).toBeGreaterThan(closedVolume(composition, V, kilogram(6), kelvin(T)).p);
    expect(p).toBeGreaterThan(last); // also through the temperature at which liquid would fill it
    last = p;
  }
});
