import { optionalParts, valves, type OptionalPart, type Valve, type ValveState } from './part';

/** How a fact of a record is known; what has none of these nobody has seen. */
export const waysKnown = ['seen', 'plate', 'measured', 'reported'] as const;
export type WayKnown = (typeof waysKnown)[number];

/** What a record says of the make-up of a circuit, fact by fact. */
export const makeUpFacts = ['ports', 'condenser-cooling', 'indoor-units', ...optionalParts, ...valves] as const;
export type MakeUpFact = 'ports' | 'condenser-cooling' | 'indoor-units' | OptionalPart | Valve;

/** Facts of a record that carry how they are known. */
export const recordFacts = [...makeUpFacts, 'compressor', 'line-set', 'low-pressure-switch', 'high-pressure-switch'] as const;
export type RecordFact = (typeof recordFacts)[number];

/** Whether something rests on it: what somebody only says neither forbids nor allows. */
export const isFirm = (how: WayKnown | undefined): boolean => how !== undefined && how !== 'reported';

/** A valve of which somebody only says that it holds, or that it leaks, is one that nobody has tried. */
export const triedState = (state: ValveState, how: WayKnown | undefined): ValveState =>
  isFirm(how) || state === 'none' ? state : 'unproved';
