import { circuitOf } from '../circuit/circuit-of';
import type { StepCode } from './steps';
import { atStep } from './at-step';

const circuit = circuitOf({ kind: 'split' });
const SEEN = { valves: {}, meteringStuckShut: false };
const step = (code: StepCode, valve?: 'liquid-service' | 'suction-service') => ({
  code,
  cautions: [],
  asksReading: false,
  ...(valve === undefined ? {} : { valve }),
});
const pumpDown = [
  step('read-standing-pressure'),
  step('nearly-close-suction', 'suction-service'),
  step('run-compressor'),
  step('close-liquid-valve', 'liquid-service'),
  step('watch-suction'),
  step('close-suction', 'suction-service'),
  step('open'),
];
const moment = (index: number) => {
  const { where, shut } = atStep('pump-down-condenser', circuit, SEEN, pumpDown, index);
  return [where.get('condenser'), where.get('evaporator'), where.get('liquid-line'), [...shut]];
};

test('a pump-down step by step: at rest, running, drawn down behind the shut valve, shut off', () => {
  expect(moment(0)).toEqual(['both', 'both', 'both', []]);
  expect(moment(1)).toEqual(['both', 'both', 'both', []]); // nearly shut is not shut
  expect(moment(2)).toEqual(['both', 'both', 'liquid', []]);
  expect(moment(3)).toEqual(['both', 'vapour', 'vapour', ['liquid-service']]);
  expect(moment(4)).toEqual(['liquid', 'nearly-empty', 'nearly-empty', ['liquid-service']]);
  expect(moment(5)).toEqual(['liquid', 'nearly-empty', 'nearly-empty', ['liquid-service', 'suction-service']]);
});

test('a recovery step by step: liquid and vapor, vapor alone, nearly empty; no valve is shut', () => {
  const steps = [step('connect-and-purge'), step('recover-liquid'), step('recover-vapour'), step('book-by-scale')];
  const held = steps.map((_, k) => [...new Set(atStep('recover', circuit, SEEN, steps, k).where.values())]);
  expect(held).toEqual([['both'], ['both'], ['vapour'], ['nearly-empty']]);
  expect(atStep('recover', circuit, SEEN, steps, 3).shut.size).toBe(0);
});

test('behind a metering device that is stuck shut, what no port reaches stays full at every step', () => {
  const one = circuitOf({ kind: 'split', ports: 'suction' });
  const steps = [step('recover-vapour'), step('book-by-scale')];
  for (const k of [0, 1])
    expect(atStep('recover', one, { valves: {}, meteringStuckShut: true }, steps, k).where.get('condenser')).toBe('both');
});
