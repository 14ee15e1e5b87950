import { doubtsOf, type ReadTraces } from './doubts';

const AIR = 101_325;
const trace = (values: readonly number[], from = 0) => ({ t: values.map((_, k) => from + k), value: [...values] });
const rising = (from: number, by: number, n = 50) => Array.from({ length: n }, (_, k) => from + by * k + 0.001 * Math.sin(7 * k));
const codes = (traces: ReadTraces, now: number) => doubtsOf(traces, now, AIR).map(({ quantity, doubt }) => `${quantity} ${doubt}`);

test('an ordinary transfer raises none', () => {
  expect(codes({ gross: trace(rising(12, 0.01)), suction: trace(rising(8e5, -900)), head: trace(rising(18e5, 4000)) }, 50)).toEqual([]);
});

test.each([
  ['a scale that jumps', { gross: trace([...rising(12, 0.01, 30), 13.4, ...rising(12.3, 0.01, 19)]) }, 50, 'gross jumped'],
  ['a weight below nothing', { gross: trace([-0.4, -0.4, -0.4]) }, 3, 'gross below-zero'],
  ['a probe that hangs', { head: trace(Array<number>(45).fill(2e6)) }, 45, 'head stuck'],
  ['a probe that was pulled off', { head: trace(rising(AIR, 1, 10)) }, 10, 'head open-to-air'],
  ['probes on each other’s side', { suction: trace(rising(25e5, 10, 5)), head: trace(rising(8e5, 10, 5)) }, 5, 'suction sides-changed'],
  ['silence', { gross: trace(rising(12, 0.01, 5)) }, 60, 'gross silent'],
])('%s is seen', (_, traces, now, code) => {
  expect(codes(traces, now)).toContain(code);
});

test('a jump that is long past is no doubt any more', () => {
  expect(codes({ gross: trace([12, 14, ...rising(12, 0.01, 80)]) }, 82)).toEqual([]);
});
