import { circuitOf } from './circuit-of';
import { exchangerOf } from './exchanger';
import { levelAt } from '../cylinder/level';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { massIn } from '../units/mass';
import { cubicMetre, kilogram, type Metre } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { holding } from './holding';
import { lineCorrection, tubeSizes, tubeVolume } from './line-set';
import { parts, valves } from './part';
import { estimatedVolume, knownVolume } from './part-volume';
import { kindOf, systemKinds } from './system-kind';

const metres = (value: number) => value as Metre;
const foot = 0.3048;

// ASTM B280, from memory: 3/8 in tube has a bore of 0.311 in, 7/8 in one of 0.785 in.
test.each([
  ['3/8', 49.0],
  ['7/8', 312.3],
] as const)('a metre of %s in tube holds %d mL', (size, millilitres) => {
  expect(tubeVolume(size, metres(1)) * 1e6).toBeCloseTo(millilitres, 0);
});

test('a larger tube holds more, and twice the length twice as much', () => {
  const volumes = tubeSizes.map((size) => tubeVolume(size, metres(1)));
  expect(volumes).toEqual([...volumes].sort((a, b) => a - b));
  expect(tubeVolume('1/2', metres(8))).toBeCloseTo(2 * tubeVolume('1/2', metres(4)), 12);
});

// Common practice: about 0.6 oz of R-410A per foot of 3/8 in liquid line.
test('a foot of 3/8 in liquid line takes about 0.6 oz of R-410A', () => {
  const { rhoLiquid } = bubblePoint(refrigerant('R-410A').composition, fahrenheit(90));
  const set = { length: metres(26 * foot), covered: metres(25 * foot), liquid: '3/8', suction: '3/4' } as const;
  expect(massIn(kilogram(lineCorrection(set, rhoLiquid)), 'oz')).toBeCloseTo(0.55, 1);
  expect(lineCorrection({ ...set, length: metres(24 * foot) }, rhoLiquid)).toBeCloseTo(-lineCorrection(set, rhoLiquid), 9);
});

test('every kind of system is made of known parts and valves, and a circuit closes', () => {
  for (const kind of systemKinds) {
    const of = kindOf(kind);
    expect(of.parts.filter((part) => !parts.includes(part))).toEqual([]);
    expect(of.valves.filter((valve) => !valves.includes(valve))).toEqual([]);
    expect(of.parts).toEqual(expect.arrayContaining(['compressor', 'condenser', 'metering', 'evaporator']));
    expect([...of.parts]).toEqual(parts.filter((part) => of.parts.includes(part)));
    expect(of.valves.includes('king')).toBe(of.parts.includes('receiver') && of.valves.length > 0);
  }
});

// A prototype's and a field figure (common practice): 13 lb of R-410A fill a condenser of 4.8 L with liquid.
test('13 lb of R-410A do not go into a condenser of 4.8 L', () => {
  const may = holding(knownVolume(cubicMetre(4.8e-3), 'measured'), refrigerant('R-410A').composition, celsius(35));
  expect(massIn(kilogram(may.likely), 'lb')).toBeLessThan(9);
  expect(may.low).toBe(may.high);
});

test('an estimated volume carries its range, and so does what it may hold', () => {
  const volume = estimatedVolume('condenser', kilogram(4));
  const may = holding(volume, refrigerant('R-410A').composition, celsius(25));
  expect(volume.known).toBe('estimated');
  expect(may.low).toBeLessThan(may.likely);
  expect(may.likely).toBeLessThan(may.high);
});

// 0.95 × 4.8 L × saturated liquid at 60 °C, 0.80 × 4.8 L × at 32 °C (CoolProp 8.0.0): 3.72 and 3.92 kg of R-410A, whatever the day
test.each([-10, 0, 10, 25, 32])('a coil of 4.8 L that is shut off holds 3.72 kg of R-410A at %i °C: a colder day allows no more', (C) => {
  const may = holding(knownVolume(cubicMetre(4.8e-3), 'measured'), refrigerant('R-410A').composition, celsius(C));
  expect(may).toMatchObject({ by: 'heat', T: 333.15, share: 0.95 });
  expect(may.likely).toBeCloseTo(3.72, 2);
});

test('of no refrigerant does a shut part get full of liquid at the hottest it will see, and no warmer day allows more', () => {
  const volume = knownVolume(cubicMetre(4.8e-3), 'measured');
  for (const { id, composition } of allRefrigerants) {
    if (id === 'R-718') continue; // no refrigerant of a pumped-down system freezes at 0 °C
    let last = Number.POSITIVE_INFINITY;
    for (const C of [5, 20, 33, 45, 62]) {
      for (const hottest of [celsius(50), celsius(60)]) {
        const { likely } = holding(volume, composition, celsius(C), { share: 0.8, keptShare: 0.95, hottest });
        if (likely > 0) expect(levelAt(composition, cubicMetre(4.8e-3), kilogram(likely), hottest).liquidShare).toBeLessThan(0.9501);
      }
      const { likely } = holding(volume, composition, celsius(C));
      expect(likely).toBeLessThanOrEqual(last);
      last = likely;
    }
  }
});

test('an exchanger with water on its other side is called what it is', () => {
  const of = (record: Parameters<typeof circuitOf>[0], id: 'condenser' | 'evaporator') => exchangerOf(circuitOf(record), id);
  expect(of({ kind: 'split' }, 'evaporator')).toBe('coil');
  expect(of({ kind: 'chiller' }, 'evaporator')).toBe('barrel');
  expect(of({ kind: 'chiller' }, 'condenser')).toBe('coil');
  expect(of({ kind: 'chiller', condenserCooling: 'water' }, 'condenser')).toBe('water-cooled');
  expect(of({ kind: 'geothermal' }, 'condenser')).toBe('coaxial');
  expect(of({ kind: 'geothermal' }, 'evaporator')).toBe('coil');
});
