import machine from './recovery-machine.json';

export type Cooling = keyof typeof machine.cylinderUA;
/** From mild to strong, as in the table. */
export const coolings = Object.keys(machine.cylinderUA) as readonly Cooling[];
export type MachineClass = keyof typeof machine.classes;
export const machineClasses = Object.keys(machine.classes) as readonly MachineClass[];

/** What is brought to the unit. */
export interface Equipment {
  readonly machine: MachineClass;
  readonly cores: 'in' | 'out';
  readonly hoses: 'quarter-inch' | 'three-eighths';
  readonly cooling: Cooling;
}

export const USUAL_EQUIPMENT: Equipment = { machine: 'two-cylinder', cores: 'out', hoses: 'three-eighths', cooling: 'still' };

/** kg that are carried for a machine of this class. */
export const machineWeight = (of: MachineClass): number => machine.classes[of].carriedKg;
