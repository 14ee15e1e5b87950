import { usualHoseM } from '../instruments/usual-instruments';
import type { CylinderCooling, Scenario } from '../twin/scenario';
import type { Cooling, Equipment } from './equipment';

const COOLINGS: Readonly<Record<Cooling, CylinderCooling>> = { still: 'still-air', fan: 'fan', water: 'water', ice: 'ice' };

export const coolingOf = (cooling: Cooling): CylinderCooling => COOLINGS[cooling];

/** What is brought to a unit, as the twin of its transfer takes it. */
export const transferEquipment = ({
  machine,
  hoses,
  cores,
}: Equipment): Pick<Scenario, 'hoses'> & { machine: 'one-cylinder' | 'two-cylinders' } => ({
  machine: machine === 'one-cylinder' ? 'one-cylinder' : 'two-cylinders',
  hoses: { size: hoses === 'quarter-inch' ? '1/4' : '3/8', lengthM: usualHoseM, cores },
});
