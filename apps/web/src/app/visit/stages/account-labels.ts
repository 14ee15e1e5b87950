import type { DecidingCheck, ExplanationCode } from '@hygromet/core/account/explanation';
import type { CleaningStep, FindingNow, RefrigerantTest } from '@hygromet/core/account/refrigerant-tests';
import type { RefrigerantPast, ReuseReason, ReuseVerdict, ReuseWay } from '@hygromet/core/account/reuse-verdict';
import type { VisitTerm } from '@hygromet/core/account/visit-terms';
import type { Units } from '../../preferences/units.service';

export const explanationText: Record<ExplanationCode, string> = {
  'leaked-before': 'It leaked before',
  'not-everything-out': 'Not everything is out: creep, or a trapped section',
  'other-charge': 'Another charge than the plate says',
  overcharged: 'It was overcharged',
  'line-set-not-covered': 'The plate does not cover the line set',
  'wrong-tare': 'The tare of the cylinder is wrong',
  'cylinder-not-empty': 'The cylinder was not empty before',
  'scale-misread': 'The scale was misread',
  'oil-carried': 'Oil came along',
  'air-in-cylinder': 'Non-condensables are in the cylinder',
  'other-refrigerant': 'Another refrigerant is mixed in',
};

export const checkText: Record<DecidingCheck, string> = {
  'weigh-again': 'Weigh the cylinder again',
  'last-entry': 'Check the last entry of the system',
  'weigh-empty': 'Weigh the cylinder empty when it comes back',
  'air-check': 'Check the cylinder for non-condensables',
  'oil-level': 'Check the oil level',
  'shut-in': 'Shut the system in for 10 min and read it',
  'measure-line-set': 'Measure the line set',
  identifier: 'Use an identifier',
  'leak-search': 'Search the leak',
};

export const termText = (term: string): string =>
  ({
    before: 'On record before this visit',
    'line-set': 'Line set beyond what the plate covers',
    vapor: 'Vapor left in the circuit',
    hoses: 'Hoses and machine',
    machine: 'Condenser of the machine, not purged',
    oil: 'In the oil',
    drier: 'In the drier',
    purges: 'Purged with non-condensables',
  })[term] ?? term;

/** How a term came about. */
export function basisText({ basis, from }: VisitTerm, units: Units): string {
  switch (basis) {
    case 'ledger':
      return `The plate, and what the ledger put in or took out since; ± ${units.percent(from.share ?? 0)} for the plate and the last charge (common practice).`;
    case 'line-set':
      return `Length beyond what the plate covers, times the mass of liquid and vapor per foot of these bores; ± ${units.percent(from.share ?? 0)}.`;
    case 'scale':
      return 'Gross after less gross before, by the scale; ± its error, twice read.';
    case 'vapor':
      return `Density of the vapor at the end pressure, ${units.density(from.rho ?? 0)}, times the volume of the circuit, ${units.volumeText(from.volume ?? 0)}; the ± is that of the volume.`;
    case 'hoses':
      return 'What hoses and machine usually hold after they were run empty (common practice).';
    case 'machine':
      return 'What the condenser of a machine keeps that nobody has purged, more where the cylinder was warmer than it (common practice).';
    case 'oil':
      return 'What the oil of a compressor usually keeps at the end of a recovery (common practice).';
    case 'drier':
      return 'What a drier usually keeps (common practice).';
    case 'purges':
      return `As it was noted with the purge; ± ${units.percent(from.share ?? 0)}, for nobody weighs what is purged.`;
    default:
      return basis satisfies never;
  }
}

export const wayText: Record<ReuseWay, string> = {
  'same-system': 'Back into this system',
  'other-system': 'Another system of the owner',
  'another-owner': 'A system of somebody else',
  reclaim: 'To the reclaimer',
  destroy: 'Destroy',
};
export const feasibilityText: Record<ReuseVerdict['feasibility'], string> = {
  possible: 'possible',
  'not-advised': 'not advised',
  no: 'no',
};
export const reasonText: Record<ReuseReason, string> = {
  'beyond-tolerance': 'its composition is beyond the tolerance of the blend',
  'much-lost': 'more than 20 % of the plate was lost',
  acid: 'acid was found',
  moisture: 'the moisture test failed',
  oil: 'the oil test failed',
  air: 'more than 1.5 % non-condensables',
  'not-tested': 'acid or moisture not tested',
  'test-again': 'cleaned since the failed test: test it again',
  'untested-past': 'after a burnout or an open circuit it is tested before it goes back',
  'another-owner': 'it changes hands only reclaimed (40 CFR 82.154, from memory; check the rules of your place)',
  'within-tolerance': 'within tolerance, acid and moisture tested',
};
export const pastText: Record<RefrigerantPast, string> = {
  usual: 'an ordinary repair',
  'burn-out': 'a compressor burned out',
  open: 'the circuit stood open',
  unknown: 'not known',
};

export const testText: Record<RefrigerantTest, string> = {
  acid: 'Acid',
  moisture: 'Moisture',
  oil: 'Oil',
  'non-condensables': 'Non-condensables',
};
export const findingText: Record<FindingNow, string> = {
  'not-tested': 'not tested',
  pass: 'passed',
  fail: 'failed',
  'test-again': 'failed, cleaned since: test again',
};
export const cleaningText: Record<CleaningStep, string> = {
  drier: 'through a drier',
  pass: 'another pass through the machine',
  rest: 'left to rest',
  purge: 'non-condensables purged',
};

export const notRestoredText: Record<string, string> = {
  'foreign-in-it': 'Another refrigerant is in it: nothing that is added takes it out. Send it to the reclaimer as a mixture.',
  'nothing-fits': 'Nothing at hand brings it back within tolerance: send it to the reclaimer as a mixture.',
  'too-much': 'What it takes to bring it back has no room in its cylinder: send it to the reclaimer as a mixture.',
};
