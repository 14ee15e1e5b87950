import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { valves, type Part } from '@hygromet/core/circuit/part';
import { partsApart } from '@hygromet/core/circuit/section-id';
import { sectionsOf } from '@hygromet/core/circuit/sections';
import { valveStateOf, type CircuitRecord } from '@hygromet/core/circuit/system-kind';
import { circuitRecord } from './plan-facts';
import type { System } from './system';
import type { Visit } from './visit';

/** Parts that a pressure test of one piece of the circuit leaves out, by the record and by what was found on this visit. */
export function partsLeftOut(
  system: Pick<System, 'kind' | 'facts'>,
  { look, joints }: Pick<Visit, 'look' | 'joints'>,
  tested: string | undefined,
): readonly Part[] {
  if (tested === undefined) return [];
  const recorded = circuitRecord(system);
  const found = valves.flatMap((valve) => (look[valve] === undefined ? [] : [[valve, look[valve]] as const]));
  const record: CircuitRecord = { ...recorded, valves: { ...recorded.valves, ...Object.fromEntries(found) } };
  const states = Object.fromEntries(valves.map((valve) => [valve, valveStateOf(valve, record)]));
  const heldTight = new Set(joints.filter(({ finding }) => finding === 'tight').map(({ joint }) => joint));
  return partsApart(sectionsOf(circuitOf(record), states), tested, heldTight);
}
