import { refrigerant } from '../fluids/refrigerant';
import { condenserAt } from './condenser';
import { airInside, airOutside } from './conditions';
import { compressed } from './compressor';
import { designOf, ratingOf } from './cycle-design';
import { evaporatorAt, evaporatorOutlet } from './evaporator';

const plate = {
  composition: refrigerant('R-410A').composition,
  kind: 'split',
  metering: 'txv',
  capacityW: 10_550,
  plateKg: 3.2,
} as const;
const unit = designOf(plate);
const { table, ratedFlow } = unit;
const rating = ratingOf(plate);
const [pc, pe] = [Math.exp(unit.rated[0]), Math.exp(unit.rated[1])];

describe('the condenser', () => {
  const squeezed = compressed(table, 'scroll', { p: pe, superheat: 8, h: table.vapour(pe, 8).h }, pc, 0);
  const at = (more: Partial<Parameters<typeof condenserAt>[0]> = {}) =>
    condenserAt({
      table,
      coil: unit.outdoor,
      saturated: table.saturation(more.p ?? pc),
      p: pc,
      flow: ratedFlow,
      ratedFlow,
      dischargeK: squeezed.dischargeK,
      dischargeH: squeezed.dischargeH,
      airK: airOutside(rating).T,
      betterOutside: 1,
      airFlow: 1,
      slip: unit.guesses.slip,
      ...more,
    });

  test('its zones are all of it, and most of it condenses', () => {
    const { zones } = at();
    expect(zones[0] + zones[1] + zones[2]).toBeCloseTo(1, 2);
    expect(zones[1]).toBeGreaterThan(0.5);
    expect(zones[2]).toBeGreaterThan(0.02);
  });

  test('what it gives off is what the refrigerant lost', () => {
    const { heatW, outletH } = at();
    expect(heatW).toBeCloseTo(ratedFlow * (squeezed.dischargeH - outletH), 6);
  });

  test('its outlet is never colder than its air nor warmer than its bubble point', () => {
    for (const flow of [0.5, 0.8, 1, 1.3, 2].map((share) => share * ratedFlow))
      for (const airFlow of [0.3, 0.6, 1]) {
        const { outletK } = at({ flow, airFlow });
        expect(outletK).toBeGreaterThan(rating.outdoorK - 0.5);
        expect(outletK).toBeLessThan(table.saturation(pc).Td + 0.01);
      }
  });

  test('less air, or warmer air, leaves less room for liquid: less subcooling, less in it', () => {
    const good = at();
    for (const worse of [at({ airFlow: 0.6 }), at({ airK: rating.outdoorK + 4 }), at({ flow: 1.2 * ratedFlow })]) {
      expect(worse.zones[2]).toBeLessThan(good.zones[2]);
      expect(worse.outletK).toBeGreaterThan(good.outletK);
      expect(worse.holds).toBeLessThan(good.holds);
    }
    expect(at({ betterOutside: 1.3 }).outletK).toBeLessThan(good.outletK);
  });

  test('so little air that it cannot condense: it leaves with vapour in it', () => {
    const { outletH, zones } = at({ airFlow: 0.2, flow: 1.5 * ratedFlow });
    expect(zones[2]).toBeLessThan(0.01);
    expect(outletH).toBeGreaterThan(table.saturation(pc).hl);
  });
});

describe('the evaporator', () => {
  const liquid = table.liquid(rating.outdoorK + 5);
  const at = (more: Partial<Parameters<typeof evaporatorAt>[0]> = {}) =>
    evaporatorAt({
      table,
      coil: unit.indoor,
      wetSide: 'air',
      saturated: table.saturation(pe),
      p: pe,
      flow: ratedFlow,
      ratedFlow,
      inletH: liquid.h,
      y: unit.rated[2],
      air: airInside(rating),
      airFlow: 1,
      ratio: unit.guesses.evaporatorRatio,
      slip: unit.guesses.slip,
      ...more,
    });

  test('what leaves it is between saturation and its air; wet, it is at saturation', () => {
    const saturated = table.saturation(pe);
    for (const y of [0.05, 0.3, 1, 4]) {
      const { T, h } = evaporatorOutlet(saturated, y, rating.indoorK);
      expect(T).toBeGreaterThan(saturated.Td);
      expect(T).toBeLessThan(rating.indoorK);
      expect(h).toBeGreaterThan(saturated.hv);
    }
    const wet = evaporatorOutlet(saturated, -0.5, rating.indoorK);
    expect([wet.T, wet.h < saturated.hv, wet.h > saturated.hl]).toEqual([saturated.Td, true, true]);
  });

  test('its air never leaves colder than its refrigerant boils, nor warmer than it came', () => {
    // so little air that the coil does not suffice is no state of a circuit
    for (const airFlow of [0.7, 1, 1.3]) {
      const { leavingK } = at({ airFlow });
      expect(leavingK).toBeGreaterThan(table.saturation(pe).Tb - 3);
      expect(leavingK).toBeLessThan(rating.indoorK);
    }
  });

  test('less air needs more coil for the same refrigerant, and comes out colder', () => {
    const [good, less] = [at(), at({ airFlow: 0.6 })];
    expect(less.areaNeeded).toBeGreaterThan(good.areaNeeded);
    expect(less.leavingK).toBeLessThan(good.leavingK);
  });

  test('more superheat needs more coil and leaves less refrigerant in it', () => {
    const [wetter, drier] = [at({ y: 0.1 }), at({ y: 0.6 })];
    expect(drier.areaNeeded).toBeGreaterThan(wetter.areaNeeded);
    expect(drier.holds).toBeLessThan(wetter.holds);
    expect(drier.outletK).toBeGreaterThan(wetter.outletK);
  });

  test('humid air gives more than dry air of the same temperature, and warms less', () => {
    const dry = at({ air: { ...airInside(rating), humidity: 0 } });
    expect(at().areaNeeded).toBeLessThan(dry.areaNeeded);
    expect(at().leavingK).toBeGreaterThan(dry.leavingK);
  });
});
