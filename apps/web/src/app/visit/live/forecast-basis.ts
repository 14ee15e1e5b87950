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
  measured: 'measured',
  plate: 'from the plate',
  estimated: 'estimated from the charge on the plate',
} as const;

/** What is measured, what stands on a plate or in the ledger, what is estimated: a forecast is no better than these. @param ambientK outdoors */
export const forecastBasis = (
  { content, volume }: Pick<PlanAnswer, 'content' | 'volume'>,
  { volumeM3, tareKg, contentKg }: Pick<Cylinder, 'volumeM3' | 'tareKg' | 'contentKg'>,
  ambientK: number,
  units: Pick<Units, 'massText' | 'temperature' | 'volumeText'>,
): readonly Basis[] => [
  {
    what: 'Charge',
    value: units.massText(content.likely),
    known: `${content.reasons.map((reason) => contentReasonText(reason, units)).join(', ')}; ± ${Math.round(100 * CHARGE_DOUBT)} %`,
  },
  { what: 'Volume of the circuit', value: units.volumeText(volume.likely), known: VOLUME_KNOWN[volume.known] },
  { what: 'Outdoors', value: units.temperature(ambientK), known: 'read on this visit' },
  { what: 'Cylinder', value: `${units.volumeText(volumeM3)}, tare ${units.massText(tareKg)}`, known: 'by its stamps' },
  { what: 'In the cylinder', value: units.massText(Math.max(0, contentKg)), known: 'on record' },
  { what: 'Oil of the compressor', value: units.massText(usualOilKg(content.likely)), known: 'estimated from the charge' },
  {
    what: 'Machine, hoses, cooling',
    value: 'as chosen here',
    known: 'numbers of usual ones (common practice); readings tell them on the way',
  },
];
