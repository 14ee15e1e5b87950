import { refrigerant } from '../fluids/refrigerant';
import data from './cycle-parameters.json';
import { designOf } from './cycle-design';
import { flowThrough, inletOf, opening } from './metering';
import type { Metering } from './unit';

const unitWith = (metering: Metering) =>
  designOf({ composition: refrigerant('R-410A').composition, kind: 'split', metering, capacityW: 10_550, plateKg: 3.2 });

const flowOf = (metering: Metering, more: Partial<Parameters<typeof flowThrough>[1]> = {}) => {
  const unit = unitWith(metering);
  const { table, valveSuperheat } = unit;
  const upstream = 0.97 * Math.exp(unit.rated[0]);
  const liquidK = table.saturation(upstream).Tb - 5;
  return flowThrough(unit, {
    upstream,
    downstream: Math.exp(unit.rated[1]),
    liquidH: table.liquid(liquidK).h,
    liquidK,
    coilSuperheat: valveSuperheat,
    area: 1,
    ...more,
  });
};

test.each(['orifice', 'txv', 'eev'] as const)('%s: at its rating about the rated flow goes through', (metering) => {
  expect(flowOf(metering).flow / unitWith(metering).ratedFlow).toBeCloseTo(1, 1);
});

test.each(['orifice', 'txv'] as const)('%s: the flow goes with the area and with the pressure before it', (metering) => {
  const { flow } = flowOf(metering);
  expect(flowOf(metering, { area: 0.5 }).flow / flow).toBeCloseTo(0.5, 9);
  expect(flowOf(metering, { upstream: 3.2e6 }).flow).toBeGreaterThan(flow);
});

// Common practice: behind an orifice that chokes, the suction pressure hardly matters.
test('an orifice chokes: what is behind it no longer counts', () => {
  const [low, lower] = [6e5, 3e5].map((downstream) => flowOf('orifice', { downstream }).flow);
  expect(lower).toBeCloseTo(low!, 9);
  const [open, wider] = [6e5, 3e5].map((downstream) => flowOf('txv', { downstream }).flow);
  expect(wider).toBeGreaterThan(open!);
});

test('gas in the liquid line starves it', () => {
  const unit = unitWith('orifice');
  const upstream = 2.4e6;
  const { Tb, hl, hv } = unit.table.saturation(upstream);
  const [solid, flashing] = [0, 0.1].map((quality) => inletOf(unit, { upstream, liquidK: Tb, liquidH: hl + quality * (hv - hl) }));
  expect(flashing!.rho).toBeLessThan(0.6 * solid!.rho);
  expect(flowOf('orifice', { liquidK: Tb, liquidH: hl + 0.1 * (hv - hl), upstream }).flow).toBeLessThan(
    flowOf('orifice', { upstream }).flow,
  );
});

describe.each(['txv', 'eev'] as const)('a %s', (metering) => {
  const unit = unitWith(metering);

  test('stands at its rating with its own superheat', () => {
    expect(opening(unit, unit.valveSuperheat)).toBeCloseTo(1, 1);
  });

  test('opens with the superheat at its bulb, to its end and no further', () => {
    const most = metering === 'eev' ? data.eev.most : unit.guesses.txvMost;
    let before = 0;
    for (const superheat of [-5, 0, 2, 4, 5, 6, 8, 12]) {
      const now = opening(unit, superheat);
      expect(now).toBeGreaterThanOrEqual(before);
      expect(now).toBeLessThanOrEqual(most);
      before = now;
    }
    expect(before).toBeCloseTo(most, 1);
    expect(opening(unit, -20)).toBeLessThan(0.02);
  });
});
