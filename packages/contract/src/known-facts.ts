import { isFirm, makeUpFacts, recordFacts, type RecordFact } from '@hygromet/core/circuit/evidence';
import { optionalParts, valves, type OptionalPart, type Valve } from '@hygromet/core/circuit/part';
import { kindOf, partsOf, valveStateOf } from '@hygromet/core/circuit/system-kind';
import type { Evidence, System, SystemFacts } from './system';

const isOneOf = <T extends string>(all: readonly T[], fact: string): fact is T => all.some((one) => one === fact);
const isOptionalPart = (fact: RecordFact): fact is OptionalPart => isOneOf(optionalParts, fact);
const isValve = (fact: RecordFact): fact is Valve => isOneOf(valves, fact);

/** Whether there is one, and where it opens: whoever has told the one has not told the other. */
function lowSwitchOf({ switches: { low, lowOpensPa } = {} }: SystemFacts): unknown {
  return low === undefined && lowOpensPa === undefined ? undefined : { low, lowOpensPa };
}

/** What a record says of one fact; undefined where it is as such a kind usually is. */
export function saidOf(facts: SystemFacts, fact: RecordFact): unknown {
  if (isOptionalPart(fact)) return facts.fitted?.[fact];
  if (isValve(fact)) return facts.valves?.[fact];
  switch (fact) {
    case 'ports':
      return facts.ports;
    case 'condenser-cooling':
      return facts.condenserCooling;
    case 'indoor-units':
      return facts.indoorUnits;
    case 'compressor':
      return facts.compressor;
    case 'line-set':
      return facts.lineSet;
    case 'low-pressure-switch':
      return lowSwitchOf(facts);
    case 'high-pressure-switch':
      return facts.switches?.highOpensPa;
    default:
      return fact satisfies never;
  }
}

const isSameSaid = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** What one state of a record says otherwise than another, of the facts that carry how they are known. */
export const changedFacts = (before: SystemFacts, after: SystemFacts): readonly RecordFact[] =>
  recordFacts.filter((fact) => !isSameSaid(saidOf(before, fact), saidOf(after, fact)));

/**
 * Facts as they are kept after a change: what was changed, and what was looked at anew, is known in this way from now on; the rest as before. What nobody
 * says any more nobody knows.
 * @param alike facts that were looked at and found as they are on record
 */
export function evidenced(before: SystemFacts, after: SystemFacts, evidence: Evidence, alike: readonly RecordFact[] = []): SystemFacts {
  const known = Object.fromEntries(
    recordFacts.flatMap((fact): [RecordFact, Evidence][] => {
      const said = saidOf(after, fact);
      if (alike.includes(fact)) return [[fact, evidence]];
      if (!isSameSaid(said, saidOf(before, fact))) return said === undefined ? [] : [[fact, evidence]];
      const earlier = before.known?.[fact];
      return earlier === undefined ? [] : [[fact, earlier]];
    }),
  );
  return { ...after, known };
}

/**
 * The whole make-up was compared with the unit and is as it is drawn: what was left to the kind of system is said from now on. Valves that are there and
 * that nobody has tried stay untried; what was known firmly keeps its own evidence.
 */
export function asDrawn({ kind, facts }: Pick<System, 'kind' | 'facts'>, evidence: Evidence): SystemFacts {
  const record = { kind, fitted: facts.fitted, valves: facts.valves };
  const present = partsOf(record);
  const fitted = Object.fromEntries(optionalParts.map((part) => [part, present.includes(part) ? ('fitted' as const) : ('none' as const)]));
  const states = Object.fromEntries(valves.map((valve) => [valve, valveStateOf(valve, record)]));
  const after: SystemFacts = {
    ...facts,
    ports: facts.ports ?? kindOf(kind).ports,
    condenserCooling: facts.condenserCooling ?? (kindOf(kind).water.includes('condenser') ? 'water' : 'air'),
    ...(kind === 'multi-split' ? { indoorUnits: facts.indoorUnits ?? 1 } : {}),
    fitted,
    valves: states,
  };
  const compared = makeUpFacts.filter((fact) => !isFirm(facts.known?.[fact]?.how) && saidOf(after, fact) !== undefined);
  return evidenced(facts, after, evidence, compared);
}
