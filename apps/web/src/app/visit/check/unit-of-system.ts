import type { System } from '@hygromet/contract/system';
import { estimatedVolume } from '@hygromet/core/circuit/part-volume';
import { kindOf } from '@hygromet/core/circuit/system-kind';
import type { UnitKind, UnitPlate } from '@hygromet/core/cycle/unit';
import type { Composition } from '@hygromet/core/fluids/composition';
import { kilogram } from '@hygromet/core/units/quantity';
import type { CheckRead } from './check-draft';

/** What is modelled of each kind of system; nothing for those whose circuit is of another sort. */
const KINDS: Readonly<Partial<Record<System['kind'], UnitKind>>> = {
  split: 'split',
  'multi-split': 'split',
  packaged: 'packaged',
  'heat-pump': 'heat-pump',
  'walk-in': 'walk-in',
  rack: 'walk-in',
  chiller: 'chiller',
};
export const unitKindOf = ({ kind }: System): UnitKind | undefined => KINDS[kind];

/** W that a charge of this size usually cools: 3.2 kg for 3 tons. Common practice. */
const USUAL_W_PER_KG = 3300;
export const usualCapacityW = ({ nameplateKg }: System): number => USUAL_W_PER_KG * nameplateKg;

/** The unit that stands there, as far as register and person know it; nothing while its metering device was not seen. */
export function plateOf(
  system: System,
  composition: Composition,
  lineKg: number,
  { metering, capacityW, plateSubcoolingK }: CheckRead,
): UnitPlate | undefined {
  const kind = unitKindOf(system);
  if (kind === undefined || metering === undefined) return undefined;
  const receiver = kindOf(system.kind).parts.includes('receiver');
  const volume = system.facts.volumes?.receiver?.m3 ?? estimatedVolume('receiver', kilogram(system.nameplateKg)).likely;
  return {
    composition,
    kind,
    metering,
    capacityW: capacityW ?? usualCapacityW(system),
    // the line set beyond what the plate covers belongs to the charge that is right
    plateKg: system.nameplateKg + lineKg,
    plateSubcoolingK,
    receiverM3: receiver ? volume : undefined,
    lineM: system.facts.lineSet?.lengthM,
  };
}
