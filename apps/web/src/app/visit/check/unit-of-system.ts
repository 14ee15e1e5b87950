import type { System } from '@hygromet/contract/system';
import { estimatedVolume } from '@hygromet/core/circuit/part-volume';
import { usualFlooded } from '@hygromet/core/charge/charge-target';
import { partsOf } from '@hygromet/core/circuit/system-kind';
import type { UnitPlate } from '@hygromet/core/cycle/unit';
import { unitKindOf, usualCapacityW } from '@hygromet/core/cycle/unit-of-kind';
import type { Composition } from '@hygromet/core/fluids/composition';
import { kilogram } from '@hygromet/core/units/quantity';
import type { CheckRead } from './check-draft';

/** The unit that stands there, as far as register and person know it; nothing while its metering device was not seen. */
export function plateOf(
  system: System,
  composition: Composition,
  lineKg: number,
  { metering, capacityW, plateSubcoolingK }: CheckRead,
): UnitPlate | undefined {
  const kind = unitKindOf(system.kind);
  if (kind === undefined || metering === undefined) return undefined;
  const parts = partsOf({ kind: system.kind, fitted: system.facts.fitted });
  const receiver = parts.includes('receiver');
  const volume = system.facts.volumes?.receiver?.m3 ?? estimatedVolume('receiver', kilogram(system.nameplateKg)).likely;
  return {
    composition,
    kind,
    metering,
    capacityW: capacityW ?? usualCapacityW(system.nameplateKg),
    // the line set beyond what the plate covers belongs to the charge that is right
    plateKg: system.nameplateKg + lineKg,
    plateSubcoolingK,
    receiverM3: receiver ? volume : undefined,
    lineM: system.facts.lineSet?.lengthM,
    headHeldK: parts.includes('head-pressure-valve') ? usualFlooded.setK : undefined,
  };
}
