import type { Composition } from '../fluids/composition';
import { leak } from '../thermo/leak';
import { cubicMetre, kelvin, kilogram } from '../units/quantity';
import { MOST_AIR } from '../readings/air-check';
import { beyondTolerance, isPublishedTolerance } from './blend-tolerance';
import { refrigerantTests, type FindingNow, type RefrigerantTest } from './refrigerant-tests';
import rules from './reuse-rules.json';

/** How it left the system; where nobody knows, both are reckoned with. */
export const leakPhases = ['unknown', 'vapour', 'liquid'] as const;
export type LeakPhase = (typeof leakPhases)[number];
/** CompanyPractice: by the computed composition (the default), by a share of the plate, or always. */
export const reuseSchools = ['composition', 'nameplate-share', 'always'] as const;
export type ReuseSchool = (typeof reuseSchools)[number];
/** Where it has been: after a burn-out, or open to the air, what was not tested is not assumed to be clean. */
export const refrigerantPasts = ['usual', 'burn-out', 'open', 'unknown'] as const;
export type RefrigerantPast = (typeof refrigerantPasts)[number];

export interface ReuseTask {
  readonly designation: string;
  readonly composition: Composition;
  /** kg before the leak, m³ of the circuit, K of the place. */
  readonly beforeKg: number;
  readonly volumeM3: number;
  readonly T: number;
  /** Share of it that was lost before it was recovered. */
  readonly lost: number;
  readonly phase: LeakPhase;
  /** What each test says now. */
  readonly tests: Readonly<Record<RefrigerantTest, FindingNow>>;
  readonly past: RefrigerantPast;
  /** Volume share of non-condensables in the vapour at 25 °C; nothing where nobody has checked. */
  readonly airShare?: number | undefined;
  readonly school: ReuseSchool;
}

export type ReuseWay = 'same-system' | 'other-system' | 'another-owner' | 'reclaim' | 'destroy';
export type ReuseReason =
  | 'beyond-tolerance'
  | 'much-lost'
  | 'acid'
  | 'moisture'
  | 'oil'
  | 'air'
  | 'not-tested'
  | 'test-again'
  | 'untested-past'
  | 'another-owner'
  | 'within-tolerance';

export interface ReuseVerdict {
  readonly way: ReuseWay;
  readonly feasibility: 'possible' | 'not-advised' | 'no';
  readonly reasons: readonly ReuseReason[];
}

export interface Reuse {
  /** What is left, the furthest from its designation of what it may be. */
  readonly composition: Composition;
  /** By how much each component is beyond its band, shares by mass. */
  readonly beyond: ReadonlyMap<string, number>;
  /** Whether the band is published for this blend. */
  readonly published: boolean;
  readonly verdicts: readonly ReuseVerdict[];
}

/** The tests without which nothing goes back: common practice. */
const ASKED_TESTS = rules.askedTests as readonly RefrigerantTest[]; // `reuse-verdict.test.ts` holds the names

/** Whether the tests speak for putting it back: what is asked for has passed, and nothing has failed. */
export const mayGoBackByTests = (finding: (test: RefrigerantTest) => FindingNow): boolean =>
  ASKED_TESTS.every((test) => finding(test) === 'pass') &&
  refrigerantTests.every((test) => finding(test) !== 'fail' && finding(test) !== 'test-again');

/** What it is now, and where it may go. */
export function reuseOf(task: ReuseTask): Reuse {
  const { designation, composition, lost } = task;
  const candidates =
    lost < 1e-6 || Object.keys(composition).length === 1 ? [composition] : phasesOf(task).map((phase) => leftAfter(task, phase));
  const [worst] = candidates
    .map((candidate) => ({ own: candidate, beyond: beyondTolerance(candidate, designation) }))
    .sort((a, b) => furthest(b.beyond) - furthest(a.beyond));
  const { own, beyond } = worst!; // there is at least one
  return { composition: own, beyond, published: isPublishedTolerance(designation), verdicts: verdictsOf(task, beyond) };
}

const phasesOf = ({ phase }: ReuseTask): readonly ('vapour' | 'liquid')[] => (phase === 'unknown' ? ['vapour', 'liquid'] : [phase]);

const leftAfter = ({ composition, volumeM3, beforeKg, T, lost }: ReuseTask, phase: 'vapour' | 'liquid'): Composition =>
  leak(composition, cubicMetre(volumeM3), kilogram(beforeKg), kelvin(T), phase, [Math.min(0.99, lost)])[0]!.left;

const furthest = (beyond: ReadonlyMap<string, number>): number => Math.max(0, ...[...beyond.values()].map(Math.abs));

function verdictsOf(task: ReuseTask, beyond: ReadonlyMap<string, number>): readonly ReuseVerdict[] {
  const { lost, school } = task;
  const against: ReuseReason[] = [
    ...dirtOf(task),
    ...(school === 'composition' && beyond.size > 0 ? (['beyond-tolerance'] as const) : []),
    ...(school === 'nameplate-share' && lost > rules.mostLost ? (['much-lost'] as const) : []),
  ];
  const open = openTests(task);
  const back: ReuseVerdict['feasibility'] = against.length > 0 ? 'no' : open.length > 0 ? 'not-advised' : 'possible';
  const reasons = [...against, ...open];
  const fine: readonly ReuseReason[] = reasons.length === 0 ? ['within-tolerance'] : reasons;
  return [
    { way: 'same-system', feasibility: back, reasons: fine },
    { way: 'other-system', feasibility: back, reasons: fine },
    { way: 'another-owner', feasibility: 'no', reasons: ['another-owner'] },
    { way: 'reclaim', feasibility: 'possible', reasons: [] },
    { way: 'destroy', feasibility: 'possible', reasons: [] },
  ];
}

/** What was found, and what a burn-out or an open circuit leaves to be found: that is refused until a test has shown the contrary. */
function dirtOf({ tests, past, airShare }: ReuseTask): readonly ReuseReason[] {
  const untested = (test: RefrigerantTest) => tests[test] === 'not-tested' || tests[test] === 'test-again';
  const air = tests['non-condensables'] === 'fail' || (airShare ?? 0) > MOST_AIR;
  // where nobody knows, it may have been either
  const [burnt, open] = [past === 'burn-out' || past === 'unknown', past === 'open' || past === 'unknown'];
  const byPast = (burnt && untested('acid')) || (open && untested('moisture'));
  return [
    ...(tests.acid === 'fail' ? (['acid'] as const) : []),
    ...(tests.moisture === 'fail' ? (['moisture'] as const) : []),
    ...(tests.oil === 'fail' ? (['oil'] as const) : []),
    ...(air ? (['air'] as const) : []),
    ...(byPast ? (['untested-past'] as const) : []),
  ];
}

function openTests({ tests }: ReuseTask): readonly ReuseReason[] {
  const findings = ASKED_TESTS.map((test) => tests[test]);
  if (Object.values(tests).includes('test-again')) return ['test-again'];
  return findings.includes('not-tested') ? ['not-tested'] : [];
}
