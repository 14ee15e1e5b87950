import { celsius } from '../units/temperature';
import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { volumeFrom } from '../units/volume';
import { massFrom, massIn } from '../units/mass';
import { airIn, pressureWithGas } from '../thermo/non-condensable';
import { cubicMetre, kelvin, kilogram, pascal } from '../units/quantity';
import { pressureDifferenceIn } from '../units/pressure';
import { airCheck, USUAL_ACCURACY } from '../readings/air-check';
import { combine } from './combination';
import { decanting } from './decanting';
import { defaultFillPolicy } from './fill-rule';
import type { Objection } from './objection';
import { suitability, type Candidate, type Incoming } from './suitability';

const of = (id: string) => refrigerant(id).composition;
const psi = (value: number) => value / pressureDifferenceIn(1, 'psig');
const cylinder = (more: Partial<Candidate> = {}): Candidate => ({
  kind: 'recovery',
  volumeM3: volumeFrom(47.7, 'lb-water'),
  tareKg: massFrom(27.7, 'lb'),
  contentKg: 0,
  evacuated: true,
  servicePressurePa: psi(400),
  overdue: false,
  retired: false,
  flammableRated: false,
  nonCondensables: false,
  ...more,
});
const incoming = (id: string, more: Partial<Incoming> = {}): Incoming => ({
  composition: of(id),
  flammable: false,
  quality: 'usual',
  ...more,
});
const against = (more: Partial<Candidate>, entry: Incoming = incoming('R-410A')) =>
  suitability(cylinder(more), entry, defaultFillPolicy).objections;

describe('may it go in there', () => {
  test('an empty evacuated cylinder of the class takes what 80 % at 77 °F and its other rules leave', () => {
    const { objections, roomKg, stopGrossKg } = suitability(cylinder(), incoming('R-410A'), defaultFillPolicy);
    expect(objections).toEqual([]);
    expect(stopGrossKg! - massFrom(27.7, 'lb')).toBeCloseTo(roomKg, 9);
    // common practice: a "50 lb" cylinder of 47.7 lb of water takes about 38 to 40 lb of R-410A
    expect(massIn(kilogram(roomKg), 'lb')).toBeGreaterThan(37);
    expect(massIn(kilogram(roomKg), 'lb')).toBeLessThan(41);
  });

  const refused: [string, Partial<Candidate>, Objection, Incoming?][] = [
    ['out of use', { retired: true }, 'retired'],
    ['for nitrogen', { kind: 'nitrogen' }, 'nitrogen'],
    // 49 CFR 173.301(a)(8): at 131 °F at most 5/4 of the service pressure, so R-410A needs the 400 psi class and R-22 does not
    ['of the 260 psi class for R-410A', { servicePressurePa: psi(260) }, 'class-too-low'],
    ['past its requalification', { overdue: true }, 'overdue'],
    ['with another refrigerant in it', { composition: of('R-22'), contentKg: 2 }, 'other-refrigerant'],
    ['labelled for another refrigerant', { composition: of('R-22') }, 'other-refrigerant'],
    ['not evacuated', { evacuated: false }, 'not-evacuated'],
    ['negative-balance', { composition: of('R-410A'), contentKg: -0.5 }, 'negative-balance'],
    ['overfilled', { composition: of('R-410A'), contentKg: 25 }, 'overfilled'],
    ['with air in it', { composition: of('R-410A'), contentKg: 3, nonCondensables: true }, 'non-condensables'],
    ['a new one of the supplier', { kind: 'virgin', composition: of('R-410A'), contentKg: 3 }, 'virgin'],
    ['for burnt-out refrigerant', { kind: 'burn-out' }, 'burn-out-apart'],
    ['for usual refrigerant, and this is burnt', {}, 'burn-out-apart', incoming('R-410A', { quality: 'burnt' })],
    ['of another owner', { kind: 'clean', owner: 'Cheese cave' }, 'other-owner', incoming('R-410A', { owner: 'Seed bank' })],
    ['and a check found air where it comes from', {}, 'air-comes-along', incoming('R-410A', { nonCondensables: true })],
    ['not rated for what burns', {}, 'not-for-flammable', incoming('R-32', { flammable: true })],
  ];
  test.each(refused.map(([what, more, objection, own = incoming('R-410A')]) => ({ what, more, objection, own })))(
    'not into a cylinder $what',
    ({ more, objection, own }) => {
      expect(against(more, own)).toContain(objection);
    },
  );

  test('R-22 goes into the 260 psi class, and burnt refrigerant into a cylinder marked for it', () => {
    expect(against({ servicePressurePa: psi(260) }, incoming('R-22'))).toEqual([]);
    expect(against({ kind: 'burn-out' }, incoming('R-22', { quality: 'burnt' }))).toEqual([]);
  });

  test('a full one has no room, and says so rather than 0.0', () => {
    const { roomKg } = suitability(cylinder(), incoming('R-410A'), defaultFillPolicy);
    expect(against({ composition: of('R-410A'), contentKg: roomKg })).toEqual(['full']);
  });
});

describe('air in it', () => {
  const at = celsius(25);
  const value = bubblePoint(of('R-134a'), at).p;
  test('well above saturation pressure there is air, whatever the instruments are off', () => {
    const check = airCheck(of('R-134a'), pascal(value * 1.15), at, USUAL_ACCURACY);
    expect(check.finding).toBe('air');
    expect(check.likely).toBeCloseTo(1 - 1 / 1.15, 12);
    expect(check.low).toBeLessThan(check.likely);
    expect(check.high).toBeGreaterThan(check.likely);
  });
  // AHRI 700 judges the vapour at 25 °C: over the same refrigerant the same air is another share (computed with CoolProp 8.0.0)
  test.each([
    ['R-134a', 45, 0.024],
    ['R-410A', 45, 0.023],
    ['R-123', 45, 0.028],
    ['R-134a', 0, 0.0073],
    ['R-123', 0, 0.0059],
  ])('1.5 %% of the vapour of %s at %i °C is %d of it at 25 °C', (id, C, share) => {
    const T = celsius(C);
    const saturation = bubblePoint(of(id), T).p;
    expect(airCheck(of(id), pascal(saturation / 0.985), T, USUAL_ACCURACY).likely / share).toBeCloseTo(1, 1);
  });
  test('where the content is known, the vapour space is that of 25 °C', () => {
    const T = celsius(55);
    const vessel = { volume: cubicMetre(0.0119), mass: kilogram(9) };
    const air = airIn(of('R-410A'), vessel.volume, vessel.mass, 0.015);
    const p = pressureWithGas(of('R-410A'), vessel.volume, vessel.mass, T, air);
    const { likely } = airCheck(of('R-410A'), p, T, USUAL_ACCURACY, vessel);
    expect(likely).toBeGreaterThan(0.015); // the liquid that yields to the air is left out: the larger share is told
    expect(likely).toBeLessThan(0.0168);
    expect(airCheck(of('R-410A'), p, T, USUAL_ACCURACY).likely).toBeGreaterThan(0.03);
  });
  test.each([
    ['R-123', 15_000, 0],
    ['R-11', 8_000, -20],
    ['R-114', 90_000, 0.4],
    ['R-236ea', 9_000, -30],
    ['R-123', 0, 20],
  ])('%s at %i Pa and %d °C is answered, however little a gauge shows', (id, p, C) => {
    const { low, high } = airCheck(of(id), pascal(p), celsius(C), USUAL_ACCURACY);
    expect(low).toBeGreaterThanOrEqual(0);
    expect(high).toBeGreaterThanOrEqual(low);
    expect(high).toBeLessThanOrEqual(1);
  });
  test('at its own pressure usual instruments cannot prove it clean, good ones can', () => {
    expect(airCheck(of('R-134a'), value, at, USUAL_ACCURACY).finding).toBe('cannot-tell');
    expect(airCheck(of('R-134a'), value, at, { gauge: 1000, thermometer: 0.1 }).finding).toBe('clean');
  });
  test('below its own pressure nothing is said about air', () => {
    expect(airCheck(of('R-134a'), pascal(0.7 * value), at, USUAL_ACCURACY).finding).toBe('below');
  });
  test('next to the end of its line the check still answers', () => {
    const T = kelvin(304);
    const p = bubblePoint(of('R-744'), T).p;
    expect(airCheck(of('R-744'), pascal(p * 1.2), T, USUAL_ACCURACY).finding).toBe('air');
  });
});

describe('contents put together', () => {
  const content = (id: string, kg: number, kind: Candidate['kind'] = 'recovery') => ({ composition: of(id), mass: kilogram(kg), kind });
  test('the same refrigerant stays what it is, and goes to the reclaimer', () => {
    expect(combine([content('R-410A', 2), content('R-410A', 3)])).toMatchObject({
      mass: 5,
      designation: 'R-410A',
      kind: 'recovery',
      fate: 'reclaim',
    });
  });
  test('a trace of another makes no mixture of it', () => {
    expect(combine([content('R-410A', 5), content('R-22', 0.02)])).toMatchObject({
      designation: 'R-410A',
      kind: 'recovery',
      fate: 'reclaim',
    });
  });
  test('R-32 and R-125 in halves are R-410A; R-22 with it is no refrigerant, and the reclaimer is asked', () => {
    expect(combine([content('R-32', 1), content('R-125', 1)])).toMatchObject({
      designation: 'R-410A',
      fate: 'ask-reclaimer',
      kind: 'destruction',
    });
    const mixture = combine([content('R-22', 1), content('R-410A', 2)]);
    expect(mixture).toMatchObject({ designation: undefined, fate: 'ask-reclaimer' });
    expect(bubblePoint(mixture.composition, celsius(25)).p).toBeGreaterThan(bubblePoint(of('R-22'), celsius(25)).p);
  });
  test('burnt with clean is burnt, and clean with clean is no longer one owner’s own', () => {
    expect(combine([content('R-22', 1, 'clean'), content('R-22', 1, 'burn-out')]).kind).toBe('burn-out');
    expect(combine([content('R-22', 1, 'clean'), content('R-22', 1, 'clean')])).toMatchObject({ kind: 'recovery', fate: 'reclaim' });
    expect(combine([content('R-22', 1, 'clean')])).toMatchObject({ kind: 'clean', fate: 'reuse' });
  });
});

describe('an overfilled cylinder', () => {
  const over = { contentKg: 11, limitKg: 9.5, volumeM3: 0.0119 };
  const pours = (rooms: number[]) =>
    decanting(
      of('R-407C'),
      over,
      rooms.map((roomKg, k) => ({ id: `C-${k}`, roomKg })),
    );
  test('goes into the tightest one that takes all of it', () => {
    expect(pours([0.4, 8, 1.8]).pours).toEqual([{ into: 'C-2', kg: 1.5 }]);
  });
  test('or into several, the roomiest first, and what has no place is said', () => {
    expect(pours([0.4, 0.9]).pours).toEqual([
      { into: 'C-1', kg: 0.9 },
      { into: 'C-0', kg: 0.4 },
    ]);
    expect(pours([0.4, 0.9]).leftKg).toBeCloseTo(0.2, 9);
    expect(pours([1, 1]).leftKg).toBe(0);
  });
  test('and stays well below the temperature at which it is full of liquid', () => {
    const { keepBelow } = pours([8]);
    const full = bubblePoint(of('R-407C'), kelvin(keepBelow! + 8)).rhoLiquid * over.volumeM3;
    expect(full).toBeCloseTo(11, 1);
  });
  test('one that is full wherever it can stand is an emergency, and no temperature is promised', () => {
    expect(decanting(of('R-410A'), { contentKg: 16, limitKg: 9.2, volumeM3: 0.0119 }, []).emergency).toBe(true);
    expect(pours([8]).emergency).toBe(false);
  });
  test('one that is not overfilled has nothing to pour', () => {
    expect(decanting(of('R-407C'), { ...over, contentKg: 5 }, [])).toMatchObject({ outKg: 0, pours: [], leftKg: 0 });
  });
});
