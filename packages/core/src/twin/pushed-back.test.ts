import { refrigerant } from '../fluids/refrigerant';
import { fahrenheit } from '../units/temperature';
import type { Scenario } from './scenario';
import { pushedBack } from './pushed-back';
import { simulate } from './simulate';

const scenarioOf = (id: string, kg: number, contentKg: number, more: Partial<Scenario> = {}, cylinderF = 81): Scenario => ({
  composition: refrigerant(id).composition,
  system: { chargeKg: 0, temperatureK: fahrenheit(81), condenserM3: kg * 1.3e-3, evaporatorM3: kg * 1.22e-3 },
  cylinder: {
    volumeM3: 0.003 + contentKg / 760,
    tareKg: 12,
    contentKg,
    temperatureK: fahrenheit(cylinderF),
    cooling: 'still-air',
    stopKg: contentKg - kg,
  },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: fahrenheit(81),
  method: 'push-back',
  endPa: 101_325,
  ...more,
});

describe('a charge that is pushed back', () => {
  // Common practice: by pressure alone some 7 of 19 kg go over in minutes, then the pressures are equal; the machine drives the rest in minutes.
  test('runs by itself until the pressures are equal, and the machine drives the rest', () => {
    const alone = simulate(scenarioOf('R-410A', 19, 20, { machine: null }), 10);
    expect(alone.end.reason).toBe('stalled');
    expect(alone.end.leftKg).toBeGreaterThan(6);
    expect(alone.end.leftKg).toBeLessThan(14);
    const last = alone.samples.at(-1)!;
    expect(Math.abs(last.suctionPa - last.headPa) / last.headPa).toBeLessThan(0.02);
    const driven = simulate(scenarioOf('R-410A', 19, 20), 10);
    expect(driven.end.reason).toBe('stop-weight');
    expect(driven.end.grossKg).toBeCloseTo(13, 1);
    expect(driven.events.map(({ kind }) => kind)).toEqual(['start', 'machine-on', 'stop-weight', 'end']);
    expect(driven.end.t - alone.end.t).toBeLessThan(600);
  });

  test('a cylinder colder than the system gives less by itself', () => {
    const share = (cylinderF: number) => simulate(scenarioOf('R-410A', 3.2, 10, { machine: null }, cylinderF), 10).end.leftKg / 3.2;
    expect(share(70)).toBeLessThan(share(78));
    expect(share(60)).toBeLessThan(share(70));
  });

  test('goes on from what is in it already, as a run that was never interrupted would', () => {
    const whole = simulate(scenarioOf('R-410A', 3.2, 10), 10).end;
    const begun = scenarioOf('R-410A', 2, 8.8);
    const on = simulate(
      { ...begun, system: { chargeKg: 1.2, temperatureK: fahrenheit(81), condenserM3: 4.16e-3, evaporatorM3: 3.9e-3 } },
      10,
    );
    expect(on.end.leftKg).toBeCloseTo(3.2, 0);
    expect(on.end.t).toBeLessThan(3 * whole.t);
  });

  test('a cylinder that holds too little ends empty, and says what went over', () => {
    const { end } = simulate(scenarioOf('R-134a', 6, 6), 10);
    expect(end.reason).toBe('reached');
    expect(end.leftKg).toBeLessThan(6);
    expect(end.leftKg).toBeGreaterThan(5);
  });

  test('more than the circuit holds is refused before it starts', () => {
    const scenario = scenarioOf('R-410A', 3, 10);
    expect(() => simulate({ ...scenario, system: { ...scenario.system, condenserM3: 1e-3, evaporatorM3: 1e-3 } }, 10)).toThrow(/circuit/);
  });
});

describe('what is foretold of it', () => {
  test('all of it by itself, or what the machine has to drive', () => {
    const little = pushedBack(scenarioOf('R-410A', 3.2, 10));
    expect(little.byItself.isEnough).toBe(true);
    expect(little.byMachine).toBeUndefined();
    const much = pushedBack(scenarioOf('R-410A', 19, 20));
    expect(much.byItself.isEnough).toBe(false);
    expect(much.byMachine?.ends).toBe('enough');
    expect(much.byItself.kg + much.byMachine!.kg).toBeCloseTo(19, 0);
    expect(much.byMachine!.s.most).toBeGreaterThanOrEqual(much.byMachine!.s.least);
  });

  test('without a machine only what goes by itself, whatever is left', () => {
    const { byItself, byMachine } = pushedBack(scenarioOf('R-410A', 19, 20, { machine: null }));
    expect(byItself.isEnough).toBe(false);
    expect(byMachine).toBeUndefined();
  });

  test('a cylinder that cannot give as much is told before it is empty', () => {
    expect(pushedBack(scenarioOf('R-134a', 6, 6)).byMachine?.ends).toBe('empty');
  });

  test('a machine that pushes into a circuit that fills up trips, and that is told', () => {
    const scenario = scenarioOf('R-410A', 8, 10);
    const tight = { ...scenario, system: { ...scenario.system, condenserM3: 1e-3, evaporatorM3: 7.2e-3, oilKg: 0 } };
    expect(pushedBack(tight).byMachine?.ends).toBe('trips');
  });
});
