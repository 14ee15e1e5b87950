import type { Composition } from '../fluids/composition';
import { leak } from '../thermo/leak';
import { cubicMetre, kelvin, kilogram } from '../units/quantity';
import type { AcidFinding } from '../planning/reuse';
import { beyondTolerance, isPublishedTolerance } from './blend-tolerance';

/** How it left the system; where nobody knows, both are reckoned with. */
export const leakPhases = ['unknown', 'vapour', 'liquid'] as const;
export type LeakPhase = (typeof leakPhases)[number];
/** Schools: by the computed composition (the default), by a share of the plate, or always. */
export const reuseSchools = ['composition', 'nameplate-share', 'always'] as const;
export type ReuseSchool = (typeof reuseSchools)[number];
export const testFindings = ['not-tested', 'pass', 'fail'] as const;
export type TestFinding = (typeof testFindings)[number];

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
  readonly acid: AcidFinding;
  readonly moisture: TestFinding;
  /** Volume share of non-condensables in the vapour at 25 °C; nothing where nobody has checked. */
  readonly airShare?: number | undefined;
  readonly school: ReuseSchool;
}

export type ReuseWay = 'same-system' | 'other-system' | 'reclaim' | 'destroy';
export type ReuseReason =
  'beyond-tolerance' | 'much-lost' | 'acid' | 'moisture' | 'air' | 'not-tested' | 'another-owner' | 'within-tolerance';

export interface ReuseVerdict {
  readonly way: ReuseWay;
  readonly standing: 'possible' | 'not-advised' | 'no';
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

/** AHRI 700 (from memory): non-condensables by volume of the vapour at 25 °C. */
const MOST_AIR = 0.015;
/** School of the nameplate: less than this was lost. Common practice. */
const MOST_LOST = 0.2;

/** What it is now, and where it may go. Ownership: it changes hands only reclaimed (40 CFR 82.154, from memory). */
export function reuseOf(task: ReuseTask): Reuse {
  const { designation, composition, lost } = task;
  const candidates =
    lost < 1e-6 || Object.keys(composition).length === 1 ? [composition] : phasesOf(task).map((phase) => leftAfter(task, phase));
  const [worst] = candidates
    .map((own) => ({ own, beyond: beyondTolerance(own, designation) }))
    .sort((a, b) => furthest(b.beyond) - furthest(a.beyond));
  const { own, beyond } = worst!; // there is at least one
  return { composition: own, beyond, published: isPublishedTolerance(designation), verdicts: verdictsOf(task, beyond) };
}

const phasesOf = ({ phase }: ReuseTask): readonly ('vapour' | 'liquid')[] => (phase === 'unknown' ? ['vapour', 'liquid'] : [phase]);

const leftAfter = ({ composition, volumeM3, beforeKg, T, lost }: ReuseTask, phase: 'vapour' | 'liquid'): Composition =>
  leak(composition, cubicMetre(volumeM3), kilogram(beforeKg), kelvin(T), phase, [Math.min(0.99, lost)])[0]!.left;

const furthest = (beyond: ReadonlyMap<string, number>): number => Math.max(0, ...[...beyond.values()].map(Math.abs));

function verdictsOf({ acid, moisture, airShare, lost, school }: ReuseTask, beyond: ReadonlyMap<string, number>): readonly ReuseVerdict[] {
  const dirty: ReuseReason[] = [
    ...(acid === 'acid' ? (['acid'] as const) : []),
    ...(moisture === 'fail' ? (['moisture'] as const) : []),
    ...((airShare ?? 0) > MOST_AIR ? (['air'] as const) : []),
  ];
  const shifted: ReuseReason[] = [
    ...(school === 'composition' && beyond.size > 0 ? (['beyond-tolerance'] as const) : []),
    ...(school === 'nameplate-share' && lost > MOST_LOST ? (['much-lost'] as const) : []),
  ];
  const open: ReuseReason[] = acid === 'not-tested' || moisture === 'not-tested' ? ['not-tested'] : [];
  const back: ReuseVerdict['standing'] = dirty.length + shifted.length > 0 ? 'no' : open.length > 0 ? 'not-advised' : 'possible';
  const reasons = [...dirty, ...shifted, ...open];
  const fine: readonly ReuseReason[] = reasons.length === 0 ? ['within-tolerance'] : reasons;
  return [
    { way: 'same-system', standing: back, reasons: fine },
    { way: 'other-system', standing: back, reasons: fine },
    { way: 'reclaim', standing: 'possible', reasons: [] },
    { way: 'destroy', standing: 'possible', reasons: [] },
  ];
}
