import { temperatureFrom } from '../units/temperature';
import { chargingSchools, chargingSteps, schoolsFor, type ChargingFacts, type ChargingSchool } from './charging';

const F = (value: number) => temperatureFrom(value, 'F');
const facts = (more: Partial<ChargingFacts> = {}): ChargingFacts => ({
  metering: 'txv',
  receiver: false,
  evacuated: true,
  flammable: false,
  heatPump: false,
  glideK: 0.1,
  outdoorK: F(85),
  ...more,
});
const of = (school: ChargingSchool, more: Partial<ChargingFacts>) =>
  schoolsFor(facts(more)).find((schoolStanding) => schoolStanding.school === school)!;

// Common practice, all of them.
test.each([
  ['by-weight', {}, 'possible', []],
  ['by-weight', { evacuated: false }, 'not-here', ['charge-unknown']],
  ['by-subcooling', {}, 'possible', []],
  ['by-subcooling', { metering: 'orifice' }, 'not-here', ['needs-valve']],
  ['by-subcooling', { metering: undefined }, 'once-seen', ['metering-not-seen']],
  ['by-subcooling', { receiver: true }, 'not-here', ['receiver-hides']],
  ['by-subcooling', { outdoorK: F(55) }, 'not-here', ['too-cold']],
  ['by-subcooling', { outdoorK: undefined }, 'once-seen', ['outdoors-not-read']],
  ['by-sight-glass', {}, 'not-here', ['needs-receiver']],
  ['by-sight-glass', { receiver: true }, 'possible', []],
  ['by-sight-glass', { receiver: true, glideK: 6 }, 'not-here', ['glide-bubbles']],
  ['by-sight-glass', { receiver: true, outdoorK: F(60) }, 'not-here', ['too-cold']],
] as const)('%s with %j: %s', (school, more, feasibility, reasons) => {
  expect(of(school, more)).toMatchObject({ feasibility, reasons });
});

test('what was not seen never makes a school more possible than what was seen against it', () => {
  for (const school of chargingSchools)
    for (const receiver of [true, false])
      for (const metering of ['orifice', 'txv', undefined] as const) {
        const unseen = of(school, { receiver, metering, outdoorK: undefined }).feasibility;
        for (const outdoorK of [F(40), F(90)])
          if (of(school, { receiver, metering, outdoorK }).feasibility === 'possible') expect(unseen).not.toBe('not-here');
        if (school !== 'by-weight') expect(unseen).not.toBe('possible');
      }
});

test('the gauge is shut off before the vacuum is broken; a flammable refrigerant comes first; a receiver keeps its room', () => {
  const steps = chargingSteps(facts({ flammable: true, receiver: true, heatPump: true }));
  expect(steps[0]).toBe('flammable');
  expect(steps.indexOf('gauge-off')).toBeLessThan(steps.indexOf('break-vacuum'));
  expect(steps).toEqual(expect.arrayContaining(['receiver-room', 'low-switch', 'mark-level', 'heat-pump']));
  expect(steps.at(-1)).toBe('hose-back');
});

test('a running system is fed through its throttled suction and has no vacuum to break; a single substance may be drawn as vapor', () => {
  const steps = chargingSteps(facts({ evacuated: false, glideK: 0 }));
  expect(steps).toContain('throttle-suction');
  expect(steps).not.toContain('break-vacuum');
  expect(steps).not.toContain('liquid-only');
});
