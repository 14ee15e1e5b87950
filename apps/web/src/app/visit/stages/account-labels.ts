import type { DecidingCheck, ExplanationCode } from '@hygromet/core/account/explanation';
import type { CleaningStep, FindingNow, RefrigerantTest } from '@hygromet/core/account/refrigerant-tests';
import type { RefrigerantPast, ReuseReason, ReuseVerdict, ReuseWay } from '@hygromet/core/account/reuse-verdict';
import type { VisitTerm } from '@hygromet/core/account/visit-terms';
import type { Units } from '../../preferences/units.service';

export const explanationText: Record<ExplanationCode, string> = {
  'leaked-before': $localize`It leaked before`,
  'not-everything-out': $localize`Not everything is out: creep, or a trapped section`,
  'other-charge': $localize`Another charge than the plate says`,
  overcharged: $localize`It was overcharged`,
  'line-set-not-covered': $localize`The plate does not cover the line set`,
  'wrong-tare': $localize`The tare of the cylinder is wrong`,
  'cylinder-not-empty': $localize`The cylinder was not empty before`,
  'scale-misread': $localize`The scale was misread`,
  'oil-carried': $localize`Oil came along`,
  'air-in-cylinder': $localize`Non-condensables are in the cylinder`,
  'other-refrigerant': $localize`Another refrigerant is mixed in`,
};

export const checkText: Record<DecidingCheck, string> = {
  'weigh-again': $localize`Weigh the cylinder again`,
  'last-entry': $localize`Check the last entry of the system`,
  'weigh-empty': $localize`Weigh the cylinder empty when it comes back`,
  'air-check': $localize`Check the cylinder for non-condensables`,
  'oil-level': $localize`Check the oil level`,
  'shut-in': $localize`Shut the system in for 10 min and read it`,
  'measure-line-set': $localize`Measure the line set`,
  identifier: $localize`Use an identifier`,
  'leak-search': $localize`Search the leak`,
};

export const termText = (term: string): string =>
  ({
    before: $localize`On record before this visit`,
    'line-set': $localize`Line set beyond what the plate covers`,
    vapor: $localize`Vapor left in the circuit`,
    hoses: $localize`Hoses and machine`,
    machine: $localize`Condenser of the machine, not purged`,
    oil: $localize`In the oil`,
    drier: $localize`In the drier`,
    purges: $localize`Purged with non-condensables`,
  })[term] ?? term;

/** How a term came about. */
export function basisText({ basis, from }: VisitTerm, units: Units): string {
  switch (basis) {
    case 'ledger':
      return $localize`The plate, and what the ledger put in or took out since; ± ${units.percent(from.share ?? 0)} for the plate and the last charge (common practice).`;
    case 'line-set':
      return $localize`Length beyond what the plate covers, times the mass of liquid and vapor per foot of these bores; ± ${units.percent(from.share ?? 0)}.`;
    case 'scale':
      return $localize`Gross after less gross before, by the scale; ± its error, twice read.`;
    case 'vapor':
      return $localize`Density of the vapor at the end pressure, ${units.density(from.rho ?? 0)}, times the volume of the circuit, ${units.volumeText(from.volume ?? 0)}; the ± is that of the volume.`;
    case 'hoses':
      return $localize`What hoses and machine usually hold after they were run empty (common practice).`;
    case 'machine':
      return $localize`What the condenser of a machine keeps that nobody has purged, more where the cylinder was warmer than it (common practice).`;
    case 'oil':
      return $localize`What the oil of a compressor usually keeps at the end of a recovery (common practice).`;
    case 'drier':
      return $localize`What a drier usually keeps (common practice).`;
    case 'purges':
      return $localize`As it was noted with the purge; ± ${units.percent(from.share ?? 0)}, for nobody weighs what is purged.`;
    default:
      return basis satisfies never;
  }
}

export const wayText: Record<ReuseWay, string> = {
  'same-system': $localize`Back into this system`,
  'other-system': $localize`Another system of the owner`,
  'another-owner': $localize`A system of somebody else`,
  reclaim: $localize`To the reclaimer`,
  destroy: $localize`Destroy`,
};
export const feasibilityText: Record<ReuseVerdict['feasibility'], string> = {
  possible: $localize`possible`,
  'not-advised': $localize`not advised`,
  no: $localize`no`,
};
export const reasonText: Record<ReuseReason, string> = {
  'beyond-tolerance': $localize`its composition is beyond the tolerance of the blend`,
  'much-lost': $localize`more than 20 % of the plate was lost`,
  acid: $localize`acid was found`,
  moisture: $localize`the moisture test failed`,
  oil: $localize`the oil test failed`,
  air: $localize`more than 1.5 % non-condensables`,
  'not-tested': $localize`acid or moisture not tested`,
  'test-again': $localize`cleaned since the failed test: test it again`,
  'untested-past': $localize`after a burnout or an open circuit it is tested before it goes back`,
  'another-owner': $localize`it changes hands only reclaimed (40 CFR 82.154, from memory; check the rules of your place)`,
  'within-tolerance': $localize`within tolerance, acid and moisture tested`,
};
export const pastText: Record<RefrigerantPast, string> = {
  usual: $localize`an ordinary repair`,
  'burn-out': $localize`a compressor burned out`,
  open: $localize`the circuit stood open`,
  unknown: $localize`not known`,
};

export const testText: Record<RefrigerantTest, string> = {
  acid: $localize`Acid`,
  moisture: $localize`Moisture`,
  oil: $localize`Oil`,
  'non-condensables': $localize`Non-condensables`,
};
export const findingText: Record<FindingNow, string> = {
  'not-tested': $localize`not tested`,
  pass: $localize`passed`,
  fail: $localize`failed`,
  'test-again': $localize`failed, cleaned since: test again`,
};
export const cleaningText: Record<CleaningStep, string> = {
  drier: $localize`through a drier`,
  pass: $localize`another pass through the machine`,
  rest: $localize`left to rest`,
  purge: $localize`non-condensables purged`,
};

export const notRestoredText: Record<string, string> = {
  'foreign-in-it': $localize`Another refrigerant is in it: nothing that is added takes it out. Send it to the reclaimer as a mixture.`,
  'nothing-fits': $localize`Nothing at hand brings it back within tolerance: send it to the reclaimer as a mixture.`,
  'too-much': $localize`What it takes to bring it back has no room in its cylinder: send it to the reclaimer as a mixture.`,
};
