import type { System } from './system';
import { estimatedVolume } from '@hygromet/core/circuit/part-volume';
import { usualFlooded } from '@hygromet/core/charge/charge-target';
import { partsOf } from '@hygromet/core/circuit/system-kind';
import type { Metering, UnitPlate } from '@hygromet/core/cycle/unit';
import { unitKindOf, usualCapacityW } from '@hygromet/core/cycle/unit-of-kind';
import type { Composition } from '@hygromet/core/fluids/composition';
import { kilogram } from '@hygromet/core/units/quantity';

/** What is read of a plate and of the unit; what is not there nobody has read. */
interface PlateRead {
  readonly metering: Metering | undefined;
  readonly capacityW?: number | undefined;
  readonly plateSubcoolingK?: number | undefined;
}

/** The unit that stands there, as far as register and person know it; nothing while its metering device was not seen. */
export function plateOf(
  system: System,
  composition: Composition,
  lineKg: number,
  { metering, capacityW, plateSubcoolingK }: PlateRead,
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
