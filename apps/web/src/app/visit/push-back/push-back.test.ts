import { TestBed } from '@angular/core/testing';
import type { PushedBack } from '@hygromet/core/twin/pushed-back';
import { pascal } from '@hygromet/core/units/quantity';
import { of } from 'rxjs';
import { aCylinder, aSystem } from '../../../../test/scene';
import { open, plan, SEEN } from '../../../../test/visit-scene';
import { byItselfText, byMachineText } from './push-back-labels';

const virgin = { kind: 'virgin', flammableRated: false, ports: 'one', validYears: 5 } as const;
const split = aSystem({
  kind: 'split',
  facts: { lineSet: { lengthM: 15, coveredM: 7.6, liquid: '3/8', suction: '3/4' } },
});
const from = (contentKg: number, volumeM3 = 0.0217) => aCylinder({ id: 'v', name: 'C-01', contentKg, volumeM3, marks: virgin });
const begin = (contentKg: number) =>
  open('recharge', { look: SEEN, plan }, { system$: () => of(split), cylinders$: of([from(contentKg)]), movements$: () => of([]) });
const told = (root: Element): string => (root.querySelector('hy-push-back')?.textContent ?? '').replace(/\s+/g, ' ').trim();

describe('a charge into a standing system', () => {
  test('is foretold by the twin, from this cylinder and at these temperatures', async () => {
    const { root, text, type } = await begin(18);
    expect(told(root)).toMatch(/^By pressure alone (all of it goes over|\d+\.\d lb go over) in/);
    expect(told(root)).toContain('By the twin: system at');
    // one of them tells it, not both
    expect(text()).not.toContain('within half an hour');
    await type('System warmer than the cylinder by, °F', '15');
    expect(told(root)).toMatch(
      /By pressure alone \d+\.\d lb go over in .*; then the pressures are equal\. The recovery machine pushes the rest over in .*, its head up to \d+ psig/,
    );
    expect(told(root)).toContain('Throttle its suction while liquid comes');
    expect(told(root)).toContain('Never push into a part that is shut at both ends');
  });

  test('goes on from what has gone in, and says nothing where it runs or nothing is left to go', async () => {
    const { root, type } = await begin(18);
    const before = told(root);
    await type('Gross before', '60');
    await type('Gross now', '50');
    expect(told(root)).not.toBe(before);
    await type('The system', 'running');
    expect(told(root)).toBe('');
    await type('The system', 'evacuated and standing');
    await type('Gross now', '1');
    expect(told(root)).toBe('');
  });

  test('a cylinder that cannot give as much says what it gives', async () => {
    const { root, type } = await begin(5);
    await type('System warmer than the cylinder by, °F', '10');
    expect(told(root)).toMatch(/The recovery machine pushes \d+\.\d lb more over in .*; then C-01 has no more to give/);
    TestBed.resetTestingModule();
  });
});

describe('the words', () => {
  const tell = {
    decimal: (value: number, digits: number) => value.toFixed(digits),
    massText: (kg: number) => `${kg} kg`,
    pressure: (p: number) => `${p} Pa`,
  };
  const answer = (more: Partial<PushedBack>): PushedBack => ({
    byItself: { isEnough: false, kg: 2, s: { least: 61, most: 170 } },
    byMachine: undefined,
    ...more,
  });

  test('tell seconds while they are few, a span where the core decides, and equal pressures as such', () => {
    expect(byItselfText(answer({}), tell)).toBe('By pressure alone 2 kg go over in 2 to 3 min; then the pressures are equal.');
    expect(byItselfText(answer({ byItself: { isEnough: true, kg: 2, s: { least: 40, most: 40 } } }), tell)).toBe(
      'By pressure alone all of it goes over in about 40 s.',
    );
    expect(byItselfText(answer({ byItself: { isEnough: false, kg: 0.01, s: { least: 1, most: 2 } } }), tell)).toBe(
      'The pressures are equal: no more goes over by itself.',
    );
  });

  test('a machine that would trip is not advised', () => {
    const trips = answer({ byMachine: { ends: 'trips', kg: 1, s: { least: 9, most: 9 }, head: pascal(3.6e6) } });
    expect(byMachineText(trips, 'C-01', tell)).toBe(
      'The recovery machine would trip on the way, at 3600000 Pa: the liquid side fills up. Feed the rest with the system running.',
    );
    expect(byMachineText(answer({}), 'C-01', tell)).toBeUndefined();
  });
});
