import type { Part, Valve } from '@hygromet/core/circuit/part';
import { optionalParts, valves } from '@hygromet/core/circuit/part';
import type { SystemKind } from '@hygromet/core/circuit/system-kind';
import { partNames, valveNames } from './system-labels';

/** What is looked at of a system: a thing of its circuit, the unit as a whole, or every fact of it. */
export type Looked = Part | Valve | 'unit' | 'all';

/** Groups of facts, each entered in one place. */
export const factSections = [
  'compressor',
  'ports',
  'make-up',
  'valves',
  'units',
  'volumes',
  'line-set',
  'switches',
  'limits',
  'notes',
] as const;
export type FactSection = (typeof factSections)[number];

const OF_PART: Readonly<Partial<Record<Part, readonly FactSection[]>>> = {
  compressor: ['compressor', 'switches', 'limits'],
  condenser: ['make-up', 'volumes', 'limits'],
  receiver: ['make-up', 'volumes', 'limits'],
  evaporator: ['volumes', 'units', 'limits'],
  'liquid-line': ['line-set'],
  'suction-line': ['line-set'],
  'discharge-line': ['line-set'],
};

const isValve = (looked: Looked): looked is Valve => valves.some((valve) => valve === looked);

/** The facts that belong to what is looked at. */
export function sectionsOf(looked: Looked): readonly FactSection[] {
  if (looked === 'all') return factSections;
  if (looked === 'unit') return ['make-up', 'valves', 'ports', 'compressor', 'switches', 'notes'];
  if (isValve(looked)) return ['valves'];
  return OF_PART[looked] ?? (optionalParts.some((part) => part === looked) ? ['make-up', 'limits'] : ['limits']);
}

/** Valves that a system of these parts may have: some make sense only with the part that they shut. */
export const valvesFor = (kind: SystemKind, parts: readonly Part[]): readonly Valve[] =>
  valves.filter((valve) => {
    if (valve === 'king' || valve === 'receiver-inlet') return parts.includes('receiver');
    return valve.startsWith('branch-') ? kind === 'multi-split' : true;
  });

export const lookedName = (looked: Looked): string =>
  looked === 'all' ? $localize`All facts` : looked === 'unit' ? $localize`The whole unit` : { ...partNames, ...valveNames }[looked];
