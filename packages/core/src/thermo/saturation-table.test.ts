import { OutOfRange } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { kelvin } from '../units/quantity';
import { bubblePoint, dewPoint } from './saturation';
import { saturationTable } from './saturation-table';

test.each(['R-134a', 'R-744', 'R-410A', 'R-407C', 'R-448A', 'R-454B', 'R-404A'])(
  'the table of %s agrees with the full model to 1e-6',
  (id) => {
    const { composition } = refrigerant(id);
    const table = saturationTable(composition);
    for (let share = 0; share <= 1; share += 0.037) {
      const T = kelvin(table.coldest + share * (table.hottest - table.coldest));
      const [bubble, dew, read] = [bubblePoint(composition, T), dewPoint(composition, T), table.at(T)];
      const ratios = [read.pBubble / bubble.p, read.pDew / dew.p, read.rhoLiquid / bubble.rhoLiquid, read.rhoVapour / dew.rhoVapour];
      expect(Math.max(...ratios.map((ratio) => Math.abs(ratio - 1)))).toBeLessThan(1e-6);
    }
  },
);

test('a table is built once', () => {
  const { composition } = refrigerant('R-410A');
  expect(saturationTable(composition)).toBe(saturationTable({ ...composition }));
});

test('outside its range a table refuses instead of extrapolating', () => {
  const table = saturationTable(refrigerant('R-32').composition);
  expect(() => table.at(kelvin(table.hottest + 1))).toThrow(OutOfRange);
});
