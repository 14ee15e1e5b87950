import type { FactsChange, SystemFacts } from '@hygromet/contract/system';
import type { Part, Valve } from '@hygromet/core/circuit/part';
import type { Units } from '../preferences/units.service';
import { compressorNames, fittedNames, partNames, portNames, valveNames, valveStateNames } from './system-labels';

type QuantityFormatter = Pick<Units, 'decimal' | 'pressureStep' | 'length'>;

/** Every fact as one line: what it is of, and what it says. */
function linesOf(facts: SystemFacts, tell: QuantityFormatter): ReadonlyMap<string, string> {
  const { lineSet, switches } = facts;
  const pressure = (p: number | undefined) => (p === undefined ? undefined : tell.pressureStep(p));
  const lines: [string, string | undefined][] = [
    ['Compressor', facts.compressor === undefined ? undefined : compressorNames[facts.compressor].toLowerCase()],
    ['Ports', facts.ports === undefined ? undefined : portNames[facts.ports]],
    ...Object.entries(facts.fitted ?? {}).map(([part, state]): [string, string] => [partNames[part as Part], fittedNames[state]]),
    ['Condenser', facts.condenserCooling === undefined ? undefined : `${facts.condenserCooling}-cooled`],
    ...Object.entries(facts.valves ?? {}).map(([valve, state]): [string, string] => [valveNames[valve as Valve], valveStateNames[state]]),
    ...Object.entries(facts.volumes ?? {}).map(([part, { m3, known }]): [string, string] => [
      `${partNames[part as Part]} volume`,
      `${tell.decimal(m3 * 1000, 1)} L, ${known === 'plate' ? 'from the plate' : 'measured'}`,
    ]),
    [
      'Line set',
      lineSet === undefined
        ? undefined
        : `${tell.length(lineSet.lengthM)} of ${lineSet.liquid} and ${lineSet.suction} in, ${tell.length(lineSet.coveredM)} covered by the plate`,
    ],
    ['Indoor units', facts.indoorUnits === undefined ? undefined : String(facts.indoorUnits)],
    ['Low-pressure switch', switches?.low === 'none' ? 'none' : pressure(switches?.lowOpensPa)],
    ['High-pressure switch', pressure(switches?.highOpensPa)],
    ...(facts.limits ?? []).map(({ what, gaugePa }): [string, string] => [what, `rated for ${tell.pressureStep(gaugePa)}`]),
    ['Written on it', facts.written === undefined ? undefined : `“${facts.written}”`],
  ];
  return new Map(lines.filter((line): line is [string, string] => line[1] !== undefined));
}

/** What a state of the facts changed of the one before it; what it said, where it is the first. */
export function changesIn(change: FactsChange, before: FactsChange | undefined, tell: QuantityFormatter): readonly string[] {
  const [now, then] = [linesOf(change.facts, tell), before === undefined ? new Map<string, string>() : linesOf(before.facts, tell)];
  return [
    ...[...now].filter(([name, text]) => then.get(name) !== text).map(([name, text]) => `${name}: ${text}`),
    ...[...then.keys()].filter((name) => !now.has(name)).map((name) => `${name}: removed`),
  ];
}
