import type { FactsChange, SystemFacts } from '@hygromet/contract/system';
import { saidOf } from '@hygromet/contract/known-facts';
import { makeUpFacts, type MakeUpFact, type RecordFact } from '@hygromet/core/circuit/evidence';
import type { Part, Valve } from '@hygromet/core/circuit/part';
import type { Units } from '../preferences/units.service';
import { wayNames } from './evidence-labels';
import { compressorNames, cooledByNames, fittedNames, partNames, portNames, valveNames, valveStateNames } from './system-labels';

type QuantityFormatter = Pick<Units, 'decimal' | 'pressureStep' | 'length'>;

/** How a fact is known, behind what it says; nothing where nobody said. */
const known = ({ known: of = {} }: SystemFacts, fact: RecordFact): string => {
  const how = of[fact]?.how;
  return how === undefined ? '' : ` (${wayNames[how]})`;
};

/** Every fact as one line: what it is of, and what it says. */
function linesOf(facts: SystemFacts, tell: QuantityFormatter): ReadonlyMap<string, string> {
  const { lineSet, switches } = facts;
  const pressure = (p: number | undefined) => (p === undefined ? undefined : tell.pressureStep(p));
  const lines: [string, string | undefined][] = [
    [
      $localize`Compressor`,
      facts.compressor === undefined ? undefined : `${compressorNames[facts.compressor].toLowerCase()}${known(facts, 'compressor')}`,
    ],
    [$localize`Ports`, facts.ports === undefined ? undefined : `${portNames[facts.ports]}${known(facts, 'ports')}`],
    ...Object.entries(facts.fitted ?? {}).map(([part, state]): [string, string] => [
      partNames[part as Part],
      `${fittedNames[state]}${known(facts, part as RecordFact)}`,
    ]),
    [
      $localize`Condenser`,
      facts.condenserCooling === undefined ? undefined : `${cooledByNames[facts.condenserCooling]}${known(facts, 'condenser-cooling')}`,
    ],
    ...Object.entries(facts.valves ?? {}).map(([valve, state]): [string, string] => [
      valveNames[valve as Valve],
      `${valveStateNames[state]}${known(facts, valve as Valve)}`,
    ]),
    ...Object.entries(facts.volumes ?? {}).map(([part, { m3, known }]): [string, string] => [
      $localize`${partNames[part as Part]} volume`,
      `${tell.decimal(m3 * 1000, 1)} L, ${known === 'plate' ? $localize`from the plate` : $localize`measured`}`,
    ]),
    [
      $localize`Line set`,
      lineSet === undefined
        ? undefined
        : $localize`${tell.length(lineSet.lengthM)} of ${lineSet.liquid} and ${lineSet.suction} in, ${tell.length(lineSet.coveredM)} covered by the plate${known(facts, 'line-set')}`,
    ],
    [$localize`Indoor units`, facts.indoorUnits === undefined ? undefined : `${facts.indoorUnits}${known(facts, 'indoor-units')}`],
    [$localize`Low-pressure switch`, switches?.low === 'none' ? $localize`none` : pressure(switches?.lowOpensPa)],
    [$localize`High-pressure switch`, pressure(switches?.highOpensPa)],
    ...(facts.limits ?? []).map(({ what, gaugePa }): [string, string] => [what, $localize`rated for ${tell.pressureStep(gaugePa)}`]),
    [$localize`Written on it`, facts.written === undefined ? undefined : `“${facts.written}”`],
  ];
  return new Map(lines.filter((line): line is [string, string] => line[1] !== undefined));
}

/** So many facts of the make-up known by one look: somebody has compared the drawing with the unit. */
const COMPARED_COUNT = 10;

/** What was found as drawn when the whole drawing was compared with the unit; nothing where it was not. */
function foundAsDrawn(now: SystemFacts, then: SystemFacts): readonly RecordFact[] {
  const anew = makeUpFacts.filter((fact) => now.known?.[fact] !== undefined && now.known[fact].at !== then.known?.[fact]?.at);
  if (anew.length < COMPARED_COUNT) return [];
  const same = (fact: RecordFact) => saidOf(then, fact) === undefined || saidOf(then, fact) === saidOf(now, fact);
  return anew.filter(same);
}

const nameOf = (fact: RecordFact): string =>
  ({
    ...partNames,
    ...valveNames,
    ports: $localize`Ports`,
    'condenser-cooling': $localize`Condenser`,
    'indoor-units': $localize`Indoor units`,
  })[fact as MakeUpFact];

/** What a state of the facts changed of the one before it; what it said, where it is the first. */
export function changesIn(change: FactsChange, before: FactsChange | undefined, tell: QuantityFormatter): readonly string[] {
  const [now, then] = [linesOf(change.facts, tell), before === undefined ? new Map<string, string>() : linesOf(before.facts, tell)];
  const asDrawn = foundAsDrawn(change.facts, before?.facts ?? {}).map(nameOf);
  return [
    ...(asDrawn.length === 0 ? [] : [$localize`Compared with the unit: built as drawn`]),
    ...[...now].filter(([name, text]) => then.get(name) !== text && !asDrawn.includes(name)).map(([name, text]) => `${name}: ${text}`),
    ...[...then.keys()].filter((name) => !now.has(name)).map((name) => `${name}: removed`),
  ];
}
