import type { Cylinder } from '@hygromet/contract/cylinder';
import { CHARGE_DOUBT } from '@hygromet/core/planning/charge-doubt';
import { usualOilKg } from '@hygromet/core/twin/oil';
import type { PlanAnswer } from '../../core-worker/plan-operations';
import { contentReasonText } from '../../method/method-labels';
import type { Units } from '../../preferences/units.service';

/** A number that a forecast is built from, and how it is known. */
export interface Basis {
  readonly what: string;
  readonly value: string;
  readonly known: string;
}

const VOLUME_KNOWN = {
  measured: $localize`measured`,
  plate: $localize`from the plate`,
  estimated: $localize`estimated from the charge on the plate`,
} as const;

/** What is measured, what stands on a plate or in the ledger, what is estimated: a forecast is no better than these. @param ambientK outdoors */
export const forecastBasis = (
  { content, volume }: Pick<PlanAnswer, 'content' | 'volume'>,
  { volumeM3, tareKg, contentKg }: Pick<Cylinder, 'volumeM3' | 'tareKg' | 'contentKg'>,
  ambientK: number,
  units: Pick<Units, 'massText' | 'temperature' | 'volumeText'>,
): readonly Basis[] => [
  {
    what: $localize`Charge`,
    value: units.massText(content.likely),
    known: `${content.reasons.map((reason) => contentReasonText(reason, units)).join(', ')}; ± ${Math.round(100 * CHARGE_DOUBT)} %`,
  },
  { what: $localize`Volume of the circuit`, value: units.volumeText(volume.likely), known: VOLUME_KNOWN[volume.known] },
  { what: $localize`Outdoors`, value: units.temperature(ambientK), known: $localize`read on this visit` },
  {
    what: $localize`Cylinder`,
    value: $localize`${units.volumeText(volumeM3)}, tare ${units.massText(tareKg)}`,
    known: $localize`by its stamps`,
  },
  { what: $localize`In the cylinder`, value: units.massText(Math.max(0, contentKg)), known: $localize`on record` },
  {
    what: $localize`Oil of the compressor`,
    value: units.massText(usualOilKg(content.likely)),
    known: $localize`estimated from the charge`,
  },
  {
    what: $localize`Machine, hoses, cooling`,
    value: $localize`as chosen here`,
    known: $localize`numbers of usual ones (common practice); readings tell them on the way`,
  },
];
