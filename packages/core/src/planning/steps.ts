import type { Valve } from '../circuit/part';
import { hasPart, valvesOf, type Circuit } from '../circuit/circuit';
import { carriesChargeAway } from '../circuit/opened';
import { FIRST_SHUT, idsOf, trappedLiquid } from '../circuit/sections';
import type { Pascal } from '../units/quantity';
import { pumpDowns, type Method } from './method';
import { emptiedWhereOpened } from './what-is-opened';
import type { EndOfPumpDown } from './company-practice';
import { SLIGHTLY_POSITIVE } from './sight';
import type { JobConditions } from './job-conditions';
import { WATCHED_MINUTES } from './shut-in';

export type StepCode =
  | 'prove-flat'
  | 'read-standing-pressure'
  | 'start-water'
  | 'keep-water-drained'
  | 'drier-in-line'
  | 'acid-test'
  | 'hold-in-cooling'
  | 'defeat-low-pressure-switch'
  | 'nearly-close-suction'
  | 'run-compressor'
  | 'watch-head'
  | 'close-liquid-valve'
  | 'close-king'
  | 'watch-suction'
  | 'close-suction'
  | 'cut-power'
  | 'watch-holding'
  | 'shade-shut-part'
  | 'pierce-process-tube'
  | 'open-branches'
  | 'open-valves'
  | 'hold-solenoid-open'
  | 'carry-and-recover'
  | 'prepare-cylinder'
  | 'remove-cores'
  | 'connect-and-purge'
  | 'let-liquid-over'
  | 'push-pull-until-vapour'
  | 'recover-excess'
  | 'recover-liquid'
  | 'recover-vapour'
  | 'isolate-and-wait'
  | 'recover-again'
  | 'book-by-scale'
  | 'sweep-with-nitrogen'
  | 'open';

export type StepCaution =
  | 'barrel-freezes'
  | 'water-in-refrigerant'
  | 'scroll-no-vacuum'
  | 'mark-what-condenser-holds'
  | 'stay-with-cylinder'
  | 'stop-weight'
  | 'it-burns'
  | 'lock-out'
  | 'acid'
  | 'cool-the-cylinder'
  | 'shut-part-in-the-sun'
  | 'rated-for-it'
  | 'not-above-weakest'
  | 'no-flame-before-swept'
  | 'liquid-trapped'
  | 'prove-zero-here'
  | 'unit-under-charge';

/** One line of the checklist. Words are the interface's; figures are here. */
export interface Step {
  readonly code: StepCode;
  readonly valve?: Valve;
  /** The reading at which to act, Pa absolute. */
  readonly at?: Pascal;
  /** How many of them, where somebody has recorded it. */
  readonly count?: number;
  /** Minutes to wait. */
  readonly minutes?: number;
  /** What may happen here, and only where it may. */
  readonly cautions: readonly StepCaution[];
  /** A reading belongs beside it. */
  readonly asksReading: boolean;
}

/** Facts that only cautions need. */
export interface StepFacts {
  readonly flammable: boolean;
  /** The machine's cut-out would open without cooling. */
  readonly needsCooling: boolean;
  /** The organisation's own; a vacuum only where a reciprocating compressor draws it and nothing burns. */
  readonly endOfPumpDown: EndOfPumpDown;
  /** The switches of the system, Pa absolute at which they open where that stands in the record. */
  readonly switches: { readonly low: 'none' | 'fitted'; readonly lowOpens?: Pascal | undefined; readonly highOpens?: Pascal | undefined };
  /** Where it goes, and whether it is kept apart for its acid. */
  readonly reuse: { readonly back: boolean; readonly apart: boolean; readonly tested: boolean };
  /** Indoor units of a multi-split, where they were counted. */
  readonly indoorUnits?: number | undefined;
  /** Pa absolute that the weakest recorded part bears. */
  readonly weakest?: Pascal | undefined;
}

/** The ordered checklist of a method for this system. */
export function steps(method: Method, conditions: JobConditions, facts: StepFacts): readonly Step[] {
  const all = [...before(conditions), ...core(method, conditions, facts), ...after(method, conditions, facts)];
  return facts.flammable ? all.map((step) => ({ ...step, cautions: [...step.cautions, ...(WITH_FIRE[step.code] ?? [])] })) : all;
}

/** Where a flammable refrigerant can meet air, a spark or a flame: also in a running compressor that draws air in. */
const WITH_FIRE: Readonly<Partial<Record<StepCode, readonly StepCaution[]>>> = {
  'prepare-cylinder': ['rated-for-it'],
  'connect-and-purge': ['it-burns'],
  'pierce-process-tube': ['it-burns'],
  'watch-suction': ['it-burns'],
  'sweep-with-nitrogen': ['no-flame-before-swept'],
  open: ['it-burns'],
};

const step = (code: StepCode, more: Partial<Step> = {}): Step => ({ code, cautions: [], asksReading: false, ...more });

function before({ water }: JobConditions): readonly Step[] {
  return [step('read-standing-pressure', { asksReading: true }), ...waterSide(water)];
}

/** Drained tubes cannot freeze; what was drained because it leaked has water in the refrigerant. */
function waterSide(water: JobConditions['water']): readonly Step[] {
  if (water === 'none') return [];
  return water === 'drained'
    ? [step('keep-water-drained', { cautions: ['water-in-refrigerant'] })]
    : [step('start-water', { cautions: ['barrel-freezes'] })];
}

function core(method: Method, conditions: JobConditions, facts: StepFacts): readonly Step[] {
  switch (method) {
    case 'nothing':
      return [step('prove-flat', { asksReading: true })];
    case 'pump-down-condenser':
      return pumpDown('liquid-service', conditions, facts);
    case 'pump-down-receiver':
      return pumpDown('king', conditions, facts);
    case 'pump-down-and-recover':
      return [
        ...hookUp(conditions, facts),
        ...(exceeds(conditions)
          ? [step('recover-excess', { cautions: ['stop-weight', 'mark-what-condenser-holds'], asksReading: true })]
          : []),
        ...pumpDown('liquid-service', conditions, facts),
        ...drawDown(conditions),
      ];
    case 'liquid-first':
      return [
        ...hookUp(conditions, facts),
        step('let-liquid-over', { cautions: ['stop-weight'], asksReading: true }),
        ...drawDown(conditions),
      ];
    case 'push-pull':
      return [
        ...hookUp(conditions, facts),
        step('push-pull-until-vapour', { cautions: ['stop-weight'], asksReading: true }),
        ...drawDown(conditions),
      ];
    case 'recover':
      return [
        ...hookUp(conditions, facts),
        ...(conditions.asFound.state === 'vapour-only' ? [] : [step('recover-liquid', { cautions: ['stop-weight'] })]),
        ...drawDown(conditions),
      ];
    case 'pierce':
      return [step('pierce-process-tube'), ...hookUp(conditions, facts), ...drawDown(conditions)];
    default:
      return method satisfies never;
  }
}

const exceeds = ({ content, condenser }: JobConditions) => condenser !== undefined && content.high > condenser.low;

function pumpDown(valve: 'liquid-service' | 'king', conditions: JobConditions, facts: StepFacts): readonly Step[] {
  const { circuit, compressor, atmosphere, valves } = conditions;
  const suctionValve = valves['suction-service'] !== 'none';
  const vacuum = facts.endOfPumpDown === 'vacuum' && compressor.type === 'reciprocating' && !facts.flammable;
  const end = (vacuum ? 0.7 * atmosphere : atmosphere + SLIGHTLY_POSITIVE) as Pascal;
  return [
    ...(hasPart(circuit, 'reversing-valve') ? [step('hold-in-cooling')] : []),
    ...(valve === 'king' || !stopsTooEarly(facts, end) ? [] : [lowPressureSwitch(facts)]),
    ...holdSolenoidOpen(conditions),
    ...(suctionValve && valve === 'liquid-service' ? [step('nearly-close-suction', { valve: 'suction-service' })] : []),
    step('run-compressor'),
    step(valve === 'king' ? 'close-king' : 'close-liquid-valve', { valve }),
    ...(facts.switches.highOpens === undefined ? [] : [step('watch-head', { at: facts.switches.highOpens, asksReading: true })]),
    step('watch-suction', {
      at: end,
      cautions: vacuum || compressor.type === 'reciprocating' ? [] : ['scroll-no-vacuum'],
      asksReading: true,
    }),
    ...(suctionValve ? [step('close-suction', { valve: 'suction-service' })] : []),
    step('cut-power', { cautions: ['lock-out'] }),
    ...(conditions.shaded ? [] : [step('shade-shut-part', { cautions: ['shut-part-in-the-sun'] })]),
    step('watch-holding', { minutes: WATCHED_MINUTES, asksReading: true }),
  ];
}

/** A switch that opens below the end of the pump-down does not stop it; one whose setting nobody knows may. */
const stopsTooEarly = ({ switches: { low, lowOpens } }: StepFacts, end: Pascal) =>
  low === 'fitted' && (lowOpens === undefined || lowOpens > end);

const lowPressureSwitch = ({ switches: { lowOpens } }: StepFacts) =>
  step('defeat-low-pressure-switch', { cautions: ['lock-out'], ...(lowOpens === undefined ? {} : { at: lowOpens }) });

/** While its coil has no power a solenoid valve keeps the liquid that is ahead of it. */
const holdSolenoidOpen = ({ circuit }: JobConditions): readonly Step[] =>
  hasPart(circuit, 'solenoid') ? [step('hold-solenoid-open', { cautions: trapsLiquid(circuit) ? ['liquid-trapped'] : [] })] : [];

/** Whether the valve that shuts the liquid side would keep it full between itself and a solenoid valve without power. */
const trapsLiquid = (circuit: Circuit): boolean => trappedLiquid(circuit, idsOf(circuit, ...Object.values(FIRST_SHUT)), false).length > 0;

/** A hand valve that somebody has left shut keeps what is behind it. */
const openValves = ({ circuit }: JobConditions): readonly Step[] => (valvesOf(circuit).length > 0 ? [step('open-valves')] : []);

function hookUp(conditions: JobConditions, { needsCooling, indoorUnits, reuse: { apart, back, tested } }: StepFacts): readonly Step[] {
  const { kind, ports } = conditions;
  return [
    // a branch whose valve is shut keeps its liquid (common practice)
    ...(kind === 'multi-split' ? [step('open-branches', indoorUnits === undefined ? {} : { count: indoorUnits })] : []),
    ...openValves(conditions),
    ...holdSolenoidOpen(conditions),
    ...(apart && !tested ? [step('acid-test', { cautions: ['acid'], asksReading: true })] : []),
    step('prepare-cylinder', {
      cautions: [...(apart ? (['acid'] as const) : []), ...(needsCooling ? (['cool-the-cylinder'] as const) : [])],
    }),
    ...(ports === 'none' ? [] : [step('remove-cores')]),
    step('connect-and-purge'),
    ...(back ? [step('drier-in-line')] : []),
  ];
}

const drawDown = ({ level }: JobConditions): readonly Step[] => [
  step('recover-vapour', { at: level.p, cautions: ['stay-with-cylinder'], asksReading: true }),
  step('isolate-and-wait', { minutes: WATCHED_MINUTES, asksReading: true }),
  step('recover-again', { at: level.p }),
  step('book-by-scale', { asksReading: true }),
];

function after(method: Method, conditions: JobConditions, { weakest }: StepFacts): readonly Step[] {
  if (conditions.failed === 'none') return [];
  const unproved = pumpDowns.includes(method) || emptiedWhereOpened(conditions, true) ? [] : (['prove-zero-here'] as const);
  return [
    step('sweep-with-nitrogen', weakest === undefined ? {} : { at: weakest, cautions: ['not-above-weakest'] }),
    step('open', { cautions: ['lock-out', ...unproved] }),
    ...(pumpDowns.includes(method) && carriesChargeAway(conditions.purpose)
      ? [step('carry-and-recover', { cautions: ['unit-under-charge', 'stop-weight'], asksReading: true })]
      : []),
  ];
}
