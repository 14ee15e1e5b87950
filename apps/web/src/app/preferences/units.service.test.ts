import { TestBed } from '@angular/core/testing';
import { massFrom } from '@hygromet/core/units/mass';
import { of } from 'rxjs';
import { DRAFT_STORAGE } from '../data/draft-store';
import { ServerData } from '../data/server-data.service';
import type { Preferences } from './preferences';
import { Units } from './units.service';

function unitsOf(preferences: Partial<Preferences>, altitudeM = 0): Units {
  const storage = { getItem: () => JSON.stringify(preferences), setItem: () => undefined, removeItem: () => undefined };
  TestBed.configureTestingModule({
    providers: [
      { provide: DRAFT_STORAGE, useValue: storage },
      { provide: ServerData, useValue: { organisation$: of({ altitudeM }) } },
    ],
  });
  return TestBed.inject(Units);
}

test('a stop weight is rounded down to what the scale shows, never up', () => {
  expect(unitsOf({ mass: 'lb' }).massText(massFrom(38.785, 'lb'), 'down')).toBe('38.7 lb');
});

test('a whole tenth stays that tenth, whatever its last bits are', () => {
  expect(unitsOf({ mass: 'lb' }).massText(massFrom(24.6, 'lb'), 'down')).toBe('24.6 lb');
});

test('pounds and ounces are told as such', () => {
  expect(unitsOf({ mass: 'lb-oz' }).massText(massFrom(38.785, 'lb'), 'down')).toBe('38 lb 12 oz');
});

test('the other unit stands beside', () => {
  expect(unitsOf({ mass: 'kg' }).otherMassUnit()).toBe('lb');
});

test('small charges are told with one digit more', () => {
  expect(unitsOf({ mass: 'lb' }).massText(0.14)).toBe('0.31 lb');
});

test('a comma as decimal mark, a true minus', () => {
  expect(unitsOf({ mass: 'kg', decimalMark: ',' }).massText(-3.357)).toBe('−3,36 kg');
});

test('gauge pressure counts from the atmosphere of the altitude', () => {
  const p = 500_000;
  const [sea, high] = [
    unitsOf({ pressure: 'psig' }).pressure(p),
    (TestBed.resetTestingModule(), unitsOf({ pressure: 'psig' }, 2000).pressure(p)),
  ];
  expect([sea, high]).toEqual(['58 psig', '61 psig']);
});

test('a vacuum is told in inches of mercury to whoever reads psig, and from the atmosphere there', () => {
  expect(unitsOf({ pressure: 'psig' }).pressure(101_325 - 10 * 3386.389)).toBe('10 inHg vacuum');
  TestBed.resetTestingModule();
  expect(unitsOf({ pressure: 'barg' }).pressure(61_325)).toBe('−0.4 bar gauge');
  TestBed.resetTestingModule();
  expect(unitsOf({ pressure: 'psig' }).pressure(101_000)).toBe('0 psig');
});
