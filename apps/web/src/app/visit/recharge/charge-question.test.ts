import type { System } from '@hygromet/contract/system';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { chargeQuestion } from './charge-question';
import { emptyRecharge, plainNumber, type RechargeDraft } from './recharge-draft';

const { composition } = refrigerant('R-410A');
const of = (draft: Partial<RechargeDraft>, { floods = false, volumes }: { floods?: boolean; volumes?: System['facts']['volumes'] } = {}) =>
  chargeQuestion(
    { nameplateKg: 4, facts: { volumes } } as Partial<System> as System,
    composition,
    { ...emptyRecharge('F'), ...draft },
    { floods },
  );

test('nothing said is nothing counted: plate, and a quarter-inch hose that is run back', () => {
  expect(of({})).toEqual({
    composition,
    plateKg: 4,
    lineSet: undefined,
    hose: { bore: '1/4', lengthM: expect.any(Number), givenBack: true },
  });
});

test('what was typed is counted in kilograms, what cannot be read is not', () => {
  expect(of({ oil: { unit: 'oz', text: '16', ounces: '' } }).oilKg).toBeCloseTo(0.45359237, 8);
  expect(of({ drier: { unit: 'kg', text: '0.2', ounces: '' } }).drierKg).toBe(0.2);
  for (const text of ['', '0', 'much', '-3']) expect(of({ oil: { unit: 'oz', text, ounces: '' } })).not.toHaveProperty('oilKg');
});

test('a hose that is left full is not given back, and the wider one holds more', () => {
  expect(of({ hose: '3/8-left' }).hose).toMatchObject({ bore: '3/8', givenBack: false });
  expect(of({ hose: '3/8' }).hose).toMatchObject({ bore: '3/8', givenBack: true });
});

test('a new unit that came charged brings what its plate says', () => {
  expect(of({ unit: 'came-charged' }).cameWithKg).toBe(4);
  expect(of({})).not.toHaveProperty('cameWithKg');
});

test('the coldest day counts only where the head is held by flooding; a measured condenser goes before the usual one', () => {
  const coldest = { unit: 'C', text: '-20', ounces: '' };
  expect(of({ coldest })).not.toHaveProperty('flooded');
  const usual = of({ coldest }, { floods: true }).flooded!;
  expect(usual.outdoorK).toBeCloseTo(253.15, 8);
  expect(usual.condenserM3).toBeGreaterThan(0);
  const volumes = { condenser: { m3: 0.0123 } } as System['facts']['volumes'];
  expect(of({ coldest }, { floods: true, volumes }).flooded?.condenserM3).toBe(0.0123);
  expect(of({}, { floods: true })).not.toHaveProperty('flooded');
});

test.each([
  ['8', 8],
  [' 2,5 ', 2.5],
  ['2.5', 2.5],
  ['', undefined],
  ['-3', undefined],
  ['8 °F', undefined],
])('%p without a unit is %p', (text, value) => {
  expect(plainNumber(text)).toBe(value);
});
