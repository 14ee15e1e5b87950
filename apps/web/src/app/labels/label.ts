import type { Cylinder } from '@hygromet/contract/cylinder';
import { volumeIn } from '@hygromet/core/units/volume';
import { isFlammableGroup } from '@hygromet/core/fluids/safety-group';
import { cylinderKindNames } from '../cylinders/objection-labels';
import type { Units } from '../preferences/units.service';

/** What stands on a label, from the largest to the smallest. */
export interface Label {
  readonly number: string;
  /** The refrigerant with its safety class, or what it is. */
  readonly content: string;
  /** Marks that the kind of content asks for. */
  readonly marks: readonly string[];
  /** What each figure is, and the figure in both units. */
  readonly figures: readonly (readonly [string, string])[];
  readonly owner: string;
  /** What the code says: the address of the cylinder. */
  readonly code: string;
}

type QuantityFormatter = Pick<Units, 'massText' | 'otherMassUnit' | 'decimal' | 'pressureStep'>;

/** @param origin of this application, so that any camera opens the cylinder */
export function labelOf(cylinder: Cylinder, safetyGroup: string | null | undefined, origin: string, units: QuantityFormatter): Label {
  const both = (kg: number) => `${units.massText(kg, 'down')} · ${units.massText(kg, 'down', units.otherMassUnit())}`;
  const { fillStatus, marks, refrigerant, flags } = cylinder;
  const mixed = flags.includes('mixed');
  const group = safetyGroup ?? undefined;
  // also while the list of refrigerants is not read: a label outlives the page
  const unknown = mixed || (refrigerant !== null && group === undefined);
  const burns = !unknown && group !== undefined && isFlammableGroup(group);
  return {
    number: cylinder.name,
    content: mixed
      ? $localize`MIXTURE`
      : refrigerant === null
        ? $localize`EMPTY`
        : `${refrigerant}${group === undefined ? '' : ` (${group})`}`,
    marks: [
      ...(marks.kind === 'virgin'
        ? []
        : mixed || marks.kind === 'destruction'
          ? [$localize`FOR DESTRUCTION OR ANALYSIS`]
          : [$localize`RECOVERED REFRIGERANT`]),
      ...(marks.kind === 'burn-out' ? [$localize`BURN-OUT OR UNKNOWN: ACID`] : []),
      ...(burns ? [$localize`FLAMMABLE ${group}`] : []),
      ...(unknown ? [$localize`SAFETY GROUP UNKNOWN: TREAT AS FLAMMABLE`] : []),
    ],
    figures: [
      ...(fillStatus.state === 'limited' ? [[$localize`Maximum gross`, both(fillStatus.limitGrossKg)] as const] : []),
      [$localize`Tare`, both(cylinder.tareKg)],
      [
        $localize`Water capacity`,
        $localize`${units.decimal(volumeIn(cylinder.volumeM3, 'lb-water'), 1)} lb · ${units.decimal(cylinder.volumeM3 * 1000, 1)} L`,
      ],
      [$localize`Service pressure`, units.pressureStep(cylinder.servicePressurePa)],
      [$localize`Retest by`, `${cylinder.validThrough.slice(5)}-${cylinder.validThrough.slice(0, 4)}`],
      [$localize`Used for`, cylinderKindNames[marks.kind]],
    ],
    owner: marks.owner ?? '',
    code: `${origin}/cylinders/${cylinder.id}`,
  };
}

/** The id in a scanned code; nothing where it is no code of a cylinder. */
export const cylinderIn = (code: string): string | undefined =>
  /\/cylinders\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})/i.exec(code)?.[1];
