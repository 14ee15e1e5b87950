import { OutOfRange } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, kilogram } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import { comparedMinutes } from './compared-minutes';
import { USUAL_EQUIPMENT } from './equipment';
import { estimateRecovery } from './recovery-estimate';

const task = (id: string, kg: number, tF: number, liquidPort: boolean) => ({
  composition: refrigerant(id).composition,
  massKg: kilogram(kg),
  T: fahrenheit(tF),
  volume: cubicMetre(0.0025 * kg),
  endP: STANDARD_ATMOSPHERE,
  equipment: USUAL_EQUIPMENT,
  liquidPort,
});

test('methods stand to each other as the twin has them', () => {
  for (const id of ['R-410A', 'R-134a', 'R-448A']) {
    for (const kg of [4, 12, 40]) {
      const [vapour, liquid] = [task(id, kg, 75, false), task(id, kg, 75, true)];
      const [byTwin, quick] = [
        [estimateRecovery(vapour).minutes, estimateRecovery(liquid).minutes],
        [comparedMinutes(vapour), comparedMinutes(liquid)],
      ] as const;
      expect(quick[0]).toBeGreaterThan(quick[1]);
      expect(byTwin[0]).toBeGreaterThan(byTwin[1]);
      for (const k of [0, 1] as const) {
        expect(quick[k] / byTwin[k]).toBeGreaterThan(0.7);
        expect(quick[k] / byTwin[k]).toBeLessThan(2);
      }
    }
  }
});

test('nothing takes no time, more takes longer, and more than the circuit holds is refused', () => {
  const minutes = [0, 1, 2, 4].map((massKg) => comparedMinutes({ ...task('R-22', 4, 80, false), massKg }));
  expect(minutes[0]).toBe(0);
  expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
  expect(() => comparedMinutes({ ...task('R-22', 4, 80, false), massKg: 40 })).toThrow(OutOfRange);
});
