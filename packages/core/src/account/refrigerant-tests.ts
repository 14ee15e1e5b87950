/** What a sample of recovered refrigerant is tested for, on site or by a laboratory. */
export const refrigerantTests = ['acid', 'moisture', 'oil', 'non-condensables'] as const;
export type RefrigerantTest = (typeof refrigerantTests)[number];
export const testResults = ['pass', 'fail'] as const;
export type TestResult = (typeof testResults)[number];

/** What is done to recovered refrigerant before it may go back: through a drier, several passes, left to rest, non-condensables purged. */
export const cleaningSteps = ['drier', 'pass', 'rest', 'purge'] as const;
export type CleaningStep = (typeof cleaningSteps)[number];

/** Which step works on what a test finds (common practice): only that makes a failed test worth repeating. */
const WORKS_ON: Record<CleaningStep, readonly RefrigerantTest[]> = {
  drier: ['acid', 'moisture'],
  pass: ['acid', 'moisture', 'oil'],
  rest: ['oil', 'non-condensables'],
  purge: ['non-condensables'],
};

export interface Tested {
  readonly test: RefrigerantTest;
  readonly result: TestResult;
  /** ISO 8601. */
  readonly at: string;
}

export interface Cleaned {
  readonly step: CleaningStep;
  readonly at: string;
}

export type FindingNow = 'not-tested' | 'pass' | 'fail' | 'test-again';

/** What is known of one impurity now: the last test counts; after a failed one, cleaning that works on it asks for another. */
export function findingNow(tests: readonly Tested[], cleaning: readonly Cleaned[], test: RefrigerantTest): FindingNow {
  const testeds = tests.filter((one) => one.test === test);
  const last = testeds.reduce<Tested | undefined>((latest, one) => (latest === undefined || one.at >= latest.at ? one : latest), undefined);
  if (last === undefined) return 'not-tested';
  if (last.result === 'pass') return 'pass';
  return cleaning.some(({ step, at }) => at > last.at && WORKS_ON[step].includes(test)) ? 'test-again' : 'fail';
}
