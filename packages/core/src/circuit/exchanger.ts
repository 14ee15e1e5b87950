import { hasPart, type Circuit, type ComponentId } from './circuit';

/** What a condenser or an evaporator is: a coil in air, or one of those with water on its other side. */
export type Exchanger = 'coil' | 'barrel' | 'coaxial' | 'water-cooled';

/**
 * A barrel boils the refrigerant beside water; a condenser with water on its other side is coaxial where the circuit can be reversed, as in a
 * water-source heat pump, and of shell or plates otherwise. Common practice.
 */
export function exchangerOf(circuit: Circuit, id: ComponentId): Exchanger {
  if (!circuit.water.includes(id)) return 'coil';
  if (id.startsWith('evaporator')) return 'barrel';
  return hasPart(circuit, 'reversing-valve') ? 'coaxial' : 'water-cooled';
}
