import { fillLimits } from '@hygromet/core/cylinder/fill-limit';
import { stopWeight, USUAL_HANDLING } from '@hygromet/core/cylinder/stop-weight';
import { levelAt } from '@hygromet/core/cylinder/level';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { cubicMetre, kilogram } from '@hygromet/core/units/quantity';
import { celsius } from '@hygromet/core/units/temperature';
import { coolStop } from './cool-stop';

const volume = cubicMetre(0.01190863);
const tare = kilogram(7.8);
const liquidShare = 0.95;

test.each(['R-410A', 'R-134a', 'R-32'])('with %s up to that reading the liquid leaves its share free in a van in the sun', (id) => {
  const { composition } = refrigerant(id);
  const van = celsius(60);
  const limits = fillLimits({ composition, volume, tare, content: kilogram(3), hottest: van });
  const shutAt = stopWeight(limits.ruling, composition, USUAL_HANDLING);
  const { grossKg } = coolStop(limits, shutAt, { volumeM3: volume, tareKg: tare, liquidShare })!;
  const inItAtMost = kilogram(grossKg + (limits.ruling.gross - shutAt.gross) - tare); // the scale off, and the hose run empty
  const { liquidShare: filled } = levelAt(composition, volume, inItAtMost, van);
  expect(filled).toBeLessThan(liquidShare);
  expect(filled).toBeGreaterThan(0.9);
});

test('where the place is too hot for any liquid there is no such reading', () => {
  const { composition } = refrigerant('R-410A');
  const limits = fillLimits({ composition, volume, tare, content: kilogram(3), hottest: celsius(90) });
  const shutAt = stopWeight(limits.ruling, composition, USUAL_HANDLING);
  expect(coolStop(limits, shutAt, { volumeM3: volume, tareKg: tare, liquidShare })).toBeUndefined();
});

test('an organisation that lets the liquid take all of it is told the usual share all the same', () => {
  const { composition } = refrigerant('R-410A');
  const limits = fillLimits({ composition, volume, tare, content: kilogram(3), hottest: celsius(60) });
  const shutAt = stopWeight(limits.ruling, composition, USUAL_HANDLING);
  const told = (share: number) => coolStop(limits, shutAt, { volumeM3: volume, tareKg: tare, liquidShare: share })!;
  expect(told(1)).toEqual(told(0.95));
  expect(told(0.9).freeShare).toBeCloseTo(0.1, 12);
  expect(told(0.9).grossKg).toBeLessThan(told(0.95).grossKg);
});
