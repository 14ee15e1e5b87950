import { cleaningSteps, findingNow, refrigerantTests, type Cleaned, type Tested } from './refrigerant-tests';

const failed: Tested = { test: 'acid', result: 'fail', at: '2026-11-20T08:00:00.000Z' };
const cleaned = (step: Cleaned['step'], at = '2026-11-20T10:00:00.000Z'): Cleaned => ({ step, at });

test.each([
  ['nothing was done', [], [], 'not-tested'],
  ['a failed test stands', [failed], [], 'fail'],
  ['a drier makes it worth another test', [failed], [cleaned('drier')], 'test-again'],
  ['purging air takes no acid out', [failed], [cleaned('purge')], 'fail'],
  ['what was done before the test counts for nothing', [failed], [cleaned('drier', '2026-11-19T10:00:00.000Z')], 'fail'],
  ['the last test counts', [failed, { ...failed, result: 'pass', at: '2026-11-21T08:00:00.000Z' }], [cleaned('drier')], 'pass'],
] as const)('%s', (_, tests, cleaning, finding) => {
  expect(findingNow(tests, cleaning, 'acid')).toBe(finding);
});

test('no cleaning ever turns a failed test into a passed one', () => {
  for (const test of refrigerantTests)
    for (const step of cleaningSteps) expect(['fail', 'test-again']).toContain(findingNow([{ ...failed, test }], [cleaned(step)], test));
});

test('each impurity has a step that works on it', () => {
  for (const test of refrigerantTests)
    expect(cleaningSteps.some((step) => findingNow([{ ...failed, test }], [cleaned(step)], test) === 'test-again')).toBe(true);
});
