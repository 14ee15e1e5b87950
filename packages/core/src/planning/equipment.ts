import machine from './recovery-machine.json';

export type Cooling = keyof typeof machine.cylinderUA;
/** From mild to strong, as in the table. */
export const coolings = Object.keys(machine.cylinderUA) as readonly Cooling[];
export const machineBuilts = ['after-1993', 'before-1993'] as const;
export type MachineBuilt = (typeof machineBuilts)[number];
export type MachineClass = keyof typeof machine.classes;
export const machineClasses = Object.keys(machine.classes) as readonly MachineClass[];

/** What is brought to the unit. */
export interface Equipment {
  readonly machine: MachineClass;
  readonly cores: 'in' | 'out';
  readonly hoses: 'quarter-inch' | 'three-eighths';
  readonly cooling: Cooling;
  /** When the machine was built; after 15 November 1993 where nobody said. 40 CFR 82.156 asks less of an older one. */
  readonly built?: MachineBuilt | undefined;
}

export const USUAL_EQUIPMENT: Equipment = { machine: 'two-cylinder', cores: 'out', hoses: 'three-eighths', cooling: 'still' };

/** kg that are carried for a machine of this class. */
export const machineWeight = (of: MachineClass): number => machine.classes[of].carriedKg;
