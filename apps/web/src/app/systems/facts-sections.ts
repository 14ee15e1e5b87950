import type { Part, Valve } from '@hygromet/core/circuit/part';
import { valves } from '@hygromet/core/circuit/part';
import { partNames, valveNames } from './system-labels';

/** What is looked at of a system: a thing of its circuit, the unit as a whole, or every fact of it. */
export type Looked = Part | Valve | 'unit' | 'all';

/** Groups of facts, each entered in one place. */
export const factSections = ['compressor', 'ports', 'valves', 'units', 'volumes', 'line-set', 'switches', 'limits', 'notes'] as const;
export type FactSection = (typeof factSections)[number];

const OF_PART: Readonly<Partial<Record<Part, readonly FactSection[]>>> = {
  compressor: ['compressor', 'switches', 'limits'],
  condenser: ['volumes', 'limits'],
  receiver: ['volumes', 'limits'],
  evaporator: ['volumes', 'units', 'limits'],
  'liquid-line': ['line-set'],
  'suction-line': ['line-set'],
  'discharge-line': ['line-set'],
};

const isValve = (looked: Looked): looked is Valve => valves.some((valve) => valve === looked);

/** The facts that belong to what is looked at. */
export function sectionsOf(looked: Looked): readonly FactSection[] {
  if (looked === 'all') return factSections;
  if (looked === 'unit') return ['compressor', 'ports', 'switches', 'notes'];
  if (isValve(looked)) return ['valves'];
  return OF_PART[looked] ?? ['limits'];
}

export const lookedName = (looked: Looked): string =>
  looked === 'all' ? 'All facts' : looked === 'unit' ? 'The whole unit' : { ...partNames, ...valveNames }[looked];
