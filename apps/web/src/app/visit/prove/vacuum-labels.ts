import { targetOf, type VacuumSchool } from '@hygromet/core/proof/vacuum-schools';
import { frostPoint, PASCAL_PER_MICRON } from '@hygromet/core/proof/water';
import type { Units } from '../../preferences/units.service';

const FROST_K = frostPoint(targetOf('usual') * PASCAL_PER_MICRON);

export const schoolNote: Record<VacuumSchool, string> = {
  usual: '',
  deep: $localize`, the deeper school`,
  'old-oil': $localize`, with old oil inside`,
};

/** Why practitioners pull so deep. Common practice. */
export const vacuumSchoolText = (tell: Pick<Units, 'temperature'>): Record<VacuumSchool, string> => ({
  usual: $localize`At 500 microns no free water is left where every wall is warmer than ${tell.temperature(FROST_K)}. The isolated rise decides, not the depth.`,
  deep: $localize`At 250 microns half the gas is coming through the same hoses: it shows a quieter circuit, and removes nothing more of 500 microns’ worth of vapor. The isolated rise decides.`,
  'old-oil': $localize`Oil that has run gives up refrigerant for hours: where the pump stands still then is the oil’s doing. 300 microns and the isolated rise.`,
});
