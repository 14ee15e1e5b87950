import { kindOf, type SystemKind } from '../circuit/system-kind';
import { NoTwoPhaseState } from '../errors';
import type { Composition } from '../fluids/composition';
import { massDensity } from '../thermo/phase';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { singlePhase } from '../thermo/single-phase';
import { kelvin, pascal } from '../units/quantity';
import { USUAL_REFERENCE } from '../cylinder/reference-temperatures';
import { unless } from '../unless';
import type { Term, Terms } from './account';
import residuals from './residuals.json';

/** What a term rests on, so that it can be told how it came about. */
export type Basis = 'ledger' | 'line-set' | 'scale' | 'vapor' | 'hoses' | 'oil' | 'drier' | 'purges' | 'machine';

export interface VisitTerm extends Term {
  readonly basis: Basis;
  /** What it was computed from, SI; nothing where the number is taken as it is. */
  readonly from: Readonly<Partial<Record<'rho' | 'volume' | 'share', number>>>;
}

export interface VisitTerms extends Terms {
  readonly expected: readonly VisitTerm[];
  readonly recovered: readonly VisitTerm[];
  readonly residual: readonly VisitTerm[];
  /** At the pressure that was read liquid may be left in the circuit: it is not recovered to its end. */
  readonly liquidMayBeLeft: boolean;
  /** More came out than the circuit holds full of liquid: a scale or a tare was read wrong. */
  readonly moreThanItHolds: boolean;
}

export interface VisitMasses {
  readonly kind: SystemKind;
  readonly composition: Composition;
  /** kg on record before the visit, and beyond it in the line set. */
  readonly beforeKg: number;
  readonly lineKg: number;
  readonly recovered: readonly { readonly name: string; readonly kg: number }[];
  /** Pa absolute of the shut-in circuit at the end, and K, once they were read. */
  readonly end?: { readonly p: number; readonly T: number } | undefined;
  /** m³ of the circuit. */
  readonly volume: { readonly low: number; readonly likely: number; readonly high: number };
  /** A machine was used that nobody has purged: its condenser keeps some, more where the cylinder was warmer than it. */
  readonly machineUnpurged?: boolean | undefined;
  /** kg that left with purged non-condensables. */
  readonly purgedKg: number;
}

/** The terms of the account of a visit. What is usual stands in `residuals.json`. */
export function visitTerms(masses: VisitMasses): VisitTerms {
  const { kind, composition, beforeKg, lineKg, recovered, purgedKg, end, volume } = masses;
  return {
    expected: [
      term('before', 'ledger', beforeKg, residuals.beforeShare * beforeKg, { share: residuals.beforeShare }),
      ...(lineKg === 0
        ? []
        : [term('line-set', 'line-set', lineKg, residuals.lineShare * Math.abs(lineKg), { share: residuals.lineShare })]),
    ],
    recovered: recovered.map(({ name, kg }) => term(name, 'scale', kg, residuals.scaleKg)),
    residual: [
      ...vaporLeft(masses),
      term('hoses', 'hoses', residuals.hoses.kg, residuals.hoses.sigmaKg),
      ...(masses.machineUnpurged === true ? [term('machine', 'machine', residuals.machine.kg, residuals.machine.sigmaKg)] : []),
      term('oil', 'oil', residuals.oil.kg, residuals.oil.sigmaKg),
      ...(kindOf(kind).parts.includes('drier') ? [term('drier', 'drier', residuals.drier.kg, residuals.drier.sigmaKg)] : []),
      ...(purgedKg > 0 ? [term('purges', 'purges', purgedKg, residuals.purgeShare * purgedKg, { share: residuals.purgeShare })] : []),
    ],
    liquidMayBeLeft: end !== undefined && liquidMayBeLeft(composition, end),
    moreThanItHolds: recovered.reduce((sum, { kg }) => sum + kg, 0) > volume.high * fullOfLiquid(composition),
  };
}

const term = (name: string, basis: Basis, kg: number, sigmaKg: number, from: VisitTerm['from'] = {}): VisitTerm => ({
  term: name,
  basis,
  kg,
  sigmaKg,
  from,
});

/**
 * Vapour at the measured end in the volume of the circuit; that volume is what it is not sure of. At the saturation pressure liquid may be
 * left, as much as fits: then there is no such term.
 */
function vaporLeft({ composition, end, volume: { low, likely, high } }: VisitMasses): readonly VisitTerm[] {
  if (end === undefined || liquidMayBeLeft(composition, end)) return [];
  const rho = massDensity(singlePhase(composition, kelvin(end.T), pascal(end.p), 'vapour'));
  return [term('vapor', 'vapor', rho * likely, (rho * (high - low)) / 4, { rho, volume: likely })];
}

/** kg/m³ of liquid at room temperature; of a gas that has none there nothing is said. */
const fullOfLiquid = (composition: Composition): number =>
  unless(NoTwoPhaseState, () => bubblePoint(composition, USUAL_REFERENCE).rhoLiquid) ?? Number.POSITIVE_INFINITY;

/** Readings of a saturated circuit are off by a few per cent: this close to saturation nothing tells vapour from liquid. */
const NEAR_SATURATION = 0.97;

function liquidMayBeLeft(composition: Composition, { p, T }: { readonly p: number; readonly T: number }): boolean {
  const dew = unless(NoTwoPhaseState, () => dewPoint(composition, kelvin(T)).p);
  return dew !== undefined && p >= NEAR_SATURATION * dew;
}
