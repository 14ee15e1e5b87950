import { refrigerant } from '../fluids/refrigerant';
import { pressureFrom, pressureIn, STANDARD_ATMOSPHERE } from '../units/pressure';
import { kelvin, pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { refrigerantPerNitrogen } from './leak-conversion';
import { carriedTo, compressibility, lnAmount, nitrogenDensity, pressureByTemperature } from './nitrogen';
import { nitrogenNeeded, testPressure } from './test-pressure';

const psig = (value: number) => pressureFrom(value, 'psig', STANDARD_ATMOSPHERE);

// Span et al. 2000, by the NIST tables (from memory): density of nitrogen at 300 K, kg/m³.
test.each([
  [1e5, 1.1233],
  [1e6, 11.248],
  [3e6, 33.74],
])('nitrogen at 300 K and %d Pa has its published density', (p, rho) => {
  expect(nitrogenDensity(kelvin(300), pascal(p)) / rho).toBeCloseTo(1, 2);
});

// d ln p / d ln T of a closed volume at 20 °C by the same equation.
test.each([
  [150, 1.027],
  [300, 1.053],
  [402.7, 1.07],
  [550, 1.094],
])('a closed volume at %d psig follows its temperature by %d', (value, exponent) => {
  expect(pressureByTemperature(celsius(20), psig(value))).toBeCloseTo(exponent, 2);
});

test('what is carried to another temperature and back is the same, and holds the same amount', () => {
  const warm = carriedTo(psig(300), celsius(20), celsius(45));
  expect(lnAmount(celsius(45), warm)).toBeCloseTo(lnAmount(celsius(20), psig(300)), 9);
  expect(carriedTo(warm, celsius(45), celsius(20))).toBeCloseTo(psig(300), 3);
  expect(() => compressibility(kelvin(400), psig(300))).toThrow(/outside/);
});

describe('the most that a test may put on a circuit', () => {
  const sensor = { what: 'suction sensor', part: 'suction-line', gaugePa: 150 * 6894.757 } as const;
  const coil = { what: 'coil', part: 'evaporator', gaugePa: 450 * 6894.757 } as const;
  const task = {
    limits: [coil, sensor],
    apart: [],
    T: celsius(20),
    hottest: celsius(45),
    gaugeError: 4 * 6894.757,
    atmosphere: STANDARD_ATMOSPHERE,
  };

  // Worked value: a 150 psi sensor filled at 20 °C with 45 °C to come, a gauge 4 psi off: 133 psig.
  test('is the weakest part’s limit, less the gauge’s error, carried from the hottest hour to now', () => {
    const { mostGaugePa, ruling, stepsGaugePa } = testPressure(task)!;
    expect(ruling.what).toBe('suction sensor');
    expect(pressureIn(mostGaugePa + STANDARD_ATMOSPHERE, 'psig', STANDARD_ATMOSPHERE)).toBeCloseTo(133, 0);
    expect(stepsGaugePa.map((value) => Math.round(value / 6894.757))).toEqual([50, 133]);
  });

  test('a part counts unless a proved valve keeps it apart; without a recorded limit there is none', () => {
    const without = testPressure({ ...task, apart: ['suction-line'], hottest: celsius(20) })!;
    expect(without.ruling.what).toBe('coil');
    expect(without.stepsGaugePa.map((value) => Math.round(value / 6894.757))).toEqual([50, 150, 446]);
    expect(testPressure({ ...task, limits: [] })).toBeUndefined();
  });

  test('never more than the limit at the hottest, whatever the day', () => {
    for (const hottest of [0, 20, 35, 55])
      for (const T of [-10, 20, 40]) {
        const { atHottestGaugePa } = testPressure({ ...task, T: celsius(T), hottest: celsius(Math.max(T, hottest)) })!;
        expect(atHottestGaugePa).toBeLessThanOrEqual(sensor.gaugePa - task.gaugeError + 1);
      }
  });

  test('takes so much nitrogen', () => {
    // ideal gas: 10 L at 300 psig and 20 °C are 0.238 kg
    expect(nitrogenNeeded(0.01, 300 * 6894.757, celsius(20), STANDARD_ATMOSPHERE)).toBeCloseTo(0.238, 2);
  });
});

// By choked and by laminar flow, at 400 psig of nitrogen and 0.9 of saturation at 25 °C: computed independently by prototypes.
test.each([
  ['R-134a', 0.25, 0.38],
  ['R-22', 0.49, 0.6],
  ['R-32', 0.81, 0.85],
  ['R-125', 0.96, 1.33],
  ['R-290', 0.35, 0.38],
  ['R-1234yf', 0.3, 0.44],
])('of %s %d to %d kg leave by the hole by which a kilogram of nitrogen does', (id, low, high) => {
  const span = refrigerantPerNitrogen(refrigerant(id).composition, psig(400));
  expect(Math.abs(span.low / low - 1)).toBeLessThan(0.1);
  expect(Math.abs(span.high / high - 1)).toBeLessThan(0.1);
});
