import type { Composition } from '../fluids/composition';
import { massFrom, type DecimalMassUnit } from '../units/mass';
import { pressureFrom, type PressureUnit } from '../units/pressure';
import type { Kilogram, Pascal } from '../units/quantity';
import rules from './evacuation-levels.json';
import { pressureClass, type PressureClass } from './pressure-class';

/** What the evacuation before opening has to reach, and by which rule. */
export interface EvacuationLevel {
  readonly class: PressureClass;
  /** Absolute, Pa, at this site. */
  readonly p: Pascal;
  /** As the rule prints it. */
  readonly printed: { readonly value: number; readonly unit: PressureUnit };
  /** For a small appliance: the share of its charge that may be recovered instead. */
  readonly orShare?: number;
  readonly source: string;
}

export interface Opening {
  readonly composition: Composition;
  /** The full charge of the appliance, not what is left in it. */
  readonly fullCharge: Kilogram;
  readonly machineBuilt: 'after-1993' | 'before-1993';
  /** Sealed at the factory. */
  readonly sealed: boolean;
  readonly compressorRuns: boolean;
  readonly majorRepair: boolean;
  /** It leaks so that the level cannot be reached, or would spoil the refrigerant. */
  readonly leaks: boolean;
  /** Pa, at the site: gauge and vacuum readings count from it. */
  readonly atmosphere: Pascal;
}

/** The level to reach. A leak that forbids it, and a repair that is not a major one, end at 0 psig and not above. */
export function evacuationLevel(opening: Opening): EvacuationLevel {
  const of = pressureClass(opening.composition);
  if (isSmall(opening)) return level(of, rules.smallApplianceTo, opening, shareOf(opening));
  if (opening.leaks || (!opening.majorRepair && rules.notMajorRepair.classes.includes(of)))
    return level(of, rules.notMajorRepair.to, opening);
  const charge = opening.fullCharge < mass(rules.largeCharge) ? 'below-large' : 'large';
  const row = rules.levels.find((own) => own.class === of && own.machine === opening.machineBuilt && (own.charge ?? charge) === charge);
  if (row === undefined) throw new Error(`the rule set ${rules.id} has no level for ${of}, ${charge}`); // held by the test of every row
  return level(of, row.to, opening);
}

const isSmall = ({ sealed, fullCharge }: Opening) => sealed && fullCharge <= mass(rules.smallAppliance);

const shareOf = ({ machineBuilt, compressorRuns }: Opening) => rules.smallApplianceShares[machineBuilt][compressorRuns ? 'runs' : 'stands'];

function level(of: PressureClass, to: { value: number; unit: string }, { atmosphere }: Opening, orShare?: number): EvacuationLevel {
  const printed = { value: to.value, unit: to.unit as PressureUnit }; // the rule set names units of this list
  const p = pressureFrom(printed.value, printed.unit, atmosphere);
  return { class: of, p, printed, ...(orShare === undefined ? {} : { orShare }), source: rules.source };
}

const mass = ({ value, unit }: { value: number; unit: string }) => massFrom(value, unit as DecimalMassUnit);
