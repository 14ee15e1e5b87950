import type { Composition } from '../fluids/composition';
import { massFrom, type DecimalMassUnit } from '../units/mass';
import { pressureFrom, type PressureUnit } from '../units/pressure';
import { pascal, type Kilogram, type Pascal } from '../units/quantity';
import rules from './evacuation-levels.json';
import { pressureClass, type PressureClass } from './pressure-class';

/** What the evacuation before opening has to reach, and by which rule. */
export interface EvacuationLevel {
  readonly class: PressureClass;
  /** Absolute, Pa: what a gauge on the site shows of it follows from the air there. Never above that air. */
  readonly p: Pascal;
  /** As the rule prints it. */
  readonly printed: { readonly value: number; readonly unit: PressureUnit };
  /** For a small appliance: the share of its charge that may be recovered instead. */
  readonly orShare?: number;
  /** It stands below the atmosphere: it is brought up to this by controlled heating. */
  readonly heated?: true;
  readonly source: string;
}

export interface Opening {
  readonly composition: Composition;
  /** The full charge of the appliance, not what is left in it. */
  readonly fullCharge: Kilogram;
  readonly machineBuilt: 'after-1993' | 'before-1993';
  /** Sealed at the factory. */
  readonly sealed: boolean;
  /** A motor vehicle's air conditioner: its own rule. */
  readonly vehicle?: boolean | undefined;
  readonly compressorRuns: boolean;
  readonly majorRepair: boolean;
  /** It leaks so that the level cannot be reached, or would spoil the refrigerant. */
  readonly leaks: boolean;
  /** Pa, at the site: 0 psig is that. */
  readonly atmosphere: Pascal;
}

/** The level to reach. A leak that forbids it, and a repair that is not a major one, end at 0 psig and not above. */
export function evacuationLevel(opening: Opening): EvacuationLevel {
  const of = pressureClass(opening.composition);
  if (opening.vehicle === true) return { ...level(of, rules.vehicle.to, opening), source: rules.vehicle.source };
  if (isSmall(opening)) return { ...level(of, rules.smallApplianceTo, opening), orShare: shareOf(opening) };
  if (opening.leaks) return level(of, rules.notMajorRepair.to, opening);
  if (!opening.majorRepair) {
    const heated = rules.notMajorRepair.pressurised.includes(of);
    return { ...level(of, rules.notMajorRepair.to, opening), ...(heated ? { heated } : {}) };
  }
  const charge = opening.fullCharge < mass(rules.largeCharge) ? 'below-large' : 'large';
  const row = rules.levels.find(
    (entry) => entry.class === of && entry.machine === opening.machineBuilt && (entry.charge ?? charge) === charge,
  );
  if (row === undefined) throw new Error(`the rule set ${rules.id} has no level for ${of}, ${charge}`); // held by the test of every row
  return level(of, row.to, opening);
}

const isSmall = ({ sealed, fullCharge }: Opening) => sealed && fullCharge <= mass(rules.smallAppliance);

const shareOf = ({ machineBuilt, compressorRuns }: Opening) => rules.smallApplianceShares[machineBuilt][compressorRuns ? 'runs' : 'stands'];

/** Inches of vacuum are counted down from the standard atmosphere of the table; on a high site that may be no vacuum any more. */
function level(of: PressureClass, to: { value: number; unit: string }, { atmosphere }: Opening): EvacuationLevel {
  const printed = { value: to.value, unit: to.unit as PressureUnit }; // the rule set names units of this list
  const p = pressureFrom(printed.value, printed.unit, printed.unit === 'inHg' ? STANDARD : atmosphere);
  return { class: of, p: pascal(Math.min(p, atmosphere)), printed, source: rules.source };
}

/** 29.92 inHg above a perfect vacuum. */
const STANDARD = pressureFrom(-rules.vacuumFrom.value, 'inHg', pascal(0));

const mass = ({ value, unit }: { value: number; unit: string }) => massFrom(value, unit as DecimalMassUnit);
