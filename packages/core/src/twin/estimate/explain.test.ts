import { refrigerant } from '../../fluids/refrigerant';
import { fahrenheit } from '../../units/temperature';
import type { Scenario } from '../scenario';
import { simulate } from '../simulate';
import type { Sample } from '../transfer-run';
import type { Traces } from './observed';
import { explain } from './explain';
import { outlook } from './outlook';
import { refit, type Underway } from './refit';
import { AS_RECORDED } from './guess';
import { tuned } from './unknowns';

const rooftop: Scenario = {
  composition: refrigerant('R-410A').composition,
  system: { chargeKg: 8.98, temperatureK: fahrenheit(95), condenserM3: 0.0117, evaporatorM3: 0.0109 },
  cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 4, temperatureK: fahrenheit(95), cooling: 'still-air', stopKg: 14 },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: fahrenheit(95),
  method: 'liquid-first',
  endPa: 101_325,
};
const read = (samples: readonly Sample[], now: number): Traces => {
  const until = samples.filter(({ t }) => t <= now);
  const of = (name: 'grossKg' | 'suctionPa' | 'headPa') => ({ t: until.map(({ t }) => t), value: until.map((sample) => sample[name]) });
  return { grossKg: of('grossKg'), suctionPa: of('suctionPa'), headPa: of('headPa') };
};
/** Beside the record of R-410A, readings of what it really is. */
const beside = (truth: Scenario, now: number, record = rooftop): Underway => ({
  scenario: { ...record, method: truth.method },
  readings: read(
    simulate({ ...tuned(truth, [0.05, -0.2, 0.05, -0.1, 0.1, 0.1]), tripsFrom: Number.POSITIVE_INFINITY }, 2, now).samples,
    now,
  ),
  now,
  from: AS_RECORDED,
});
const explained = (underway: Underway) => explain(underway, refit(underway));

describe('readings that do not fit the record', () => {
  test.each(['R-22', 'R-407C', 'R-134a'])('of %s are told as what they read like', (id) => {
    const underway = beside({ ...rooftop, composition: refrigerant(id).composition }, 200);
    expect(explained(underway)).toMatchObject({ suspect: 'another-refrigerant', readsLike: id });
  });

  test('air over the liquid is told, and what comes counts with it', () => {
    const underway = beside({ ...rooftop, system: { ...rooftop.system, airKg: 0.06 } }, 200);
    const [fitted, what] = [refit(underway), explained(underway)];
    expect(what?.suspect).toBe('air');
    expect(what!.instead!.underway.scenario.system.airKg).toBeGreaterThan(0.02);
    expect(what!.instead!.fitted.misfit).toBeLessThan(fitted.misfit);
    expect(outlook(underway, fitted)).toMatchObject({ suspects: ['air'], readsLike: undefined });
  });

  test('a scale that stands while it should move is a valve that is shut, by whatever method', () => {
    for (const method of ['vapour', 'liquid-first'] as const) {
      const shut = beside({ ...rooftop, method, deeds: [{ at: 0, valve: 'shut' }] }, 120);
      expect(explained(shut)).toEqual({ suspect: 'valve-shut' });
      expect(explained(beside({ ...rooftop, method, deeds: [{ at: 0, valve: 'shut' }] }, 30))?.suspect).not.toBe('valve-shut');
      // whoever has said that it is shut is not told
      expect(explained({ ...shut, scenario: { ...shut.scenario, deeds: [{ at: 0, valve: 'shut' }] } })).toBeUndefined();
    }
  });

  test('a rig as it is recorded, or somewhat off, is not explained away', () => {
    for (const now of [30, 200]) for (const method of ['vapour', 'liquid-first'] as const) expect(explained(beside({ ...rooftop, method }, now))).toBeUndefined(); // prettier-ignore
  });
});
