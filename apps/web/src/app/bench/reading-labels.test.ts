import type { VesselAtRest } from '@hygromet/core/readings/vessel-at-rest';
import { mixtureName } from './mixture-name';
import { restWords, subcoolingWords, superheatWords, type QuantityFormatter } from './reading-labels';

const tell: QuantityFormatter = {
  pressure: (p) => `${p} Pa`,
  pressureStep: (difference) => `${difference} Pa`,
  temperature: (T) => `${T} K`,
  temperatureStep: (difference) => `${difference} K`,
  percent: (share) => `${Math.round(share * 100)} %`,
};
const rest = (part: Partial<VesselAtRest>) =>
  ({ verdict: 'saturated', pBubble: 1000, pDew: 900, tolerance: 20, airShare: 0, aboveAhri700: false, ...part }) as VesselAtRest;

test('a pressure that fits says that it does not tell how full the cylinder is', () => {
  const words = restWords('R-22', 1000, rest({}), tell);
  expect(words.caution).toBe(false);
  expect(words.sentence).toContain('weigh it');
});

test('an excess is told as air with its share, and as what else it may be', () => {
  const words = restWords('R-22', 1250, rest({ verdict: 'high', airShare: 0.2, aboveAhri700: true }), tell);
  expect(words.heading).toBe('250 Pa above R-22, which reads 1000 Pa');
  expect(words.sentence).toMatch(/20 % of the vapor, above the 1\.5 %.*another refrigerant.*identifier/);
  expect(words.caution).toBe(true);
});

test('a blend between its points, and below them', () => {
  expect(restWords('R-407C', 950, rest({ verdict: 'little-liquid' }), tell).sentence).toContain('no longer the blend on the label');
  expect(restWords('R-407C', 700, rest({ verdict: 'low' }), tell).heading).toBe('200 Pa below R-407C, which reads 900 Pa at its dew point');
});

test('superheat and subcooling name the point they count from, and a negative one says what it means', () => {
  expect(superheatWords(6, 286, 5e5, tell)).toMatchObject({ heading: 'Superheat 6 K', caution: false });
  expect(superheatWords(6, 286, 5e5, tell).sentence).toContain('dew point 280 K under 500000 Pa');
  expect(superheatWords(-2, 278, 5e5, tell)).toMatchObject({ heading: '2 K below the dew point', caution: true });
  expect(subcoolingWords(5, 300, 1e6, tell).sentence).toContain('bubble point 305 K');
  expect(subcoolingWords(-1, 300, 1e6, tell).sentence).toContain('flash gas');
});

test('a mixture without a name is called by its parts, the heaviest first', () => {
  const name = mixtureName(
    [
      { id: 'R-22', massKg: 1 },
      { id: 'R-410A', massKg: 3 },
    ],
    tell.percent,
  );
  expect(name).toBe('75 % R-410A + 25 % R-22');
});
