import { volumeFrom } from '../units/volume';
import data from './usual-collars.json';

/** What a collar says, SI; service pressure above the atmosphere. */
export interface Collar {
  readonly volumeM3: number;
  readonly tareKg: number;
  readonly servicePressurePa: number;
}

/** What hardly stands on a collar: asked back, and taken once somebody has read it again. */
export type CollarDoubt =
  /** The size it is sold under instead of its water capacity: everything filled by it would be too much. */
  | { readonly code: 'nominal-size'; readonly pounds: number }
  /** Tare and water capacity do not go together: kg, between which such a cylinder usually weighs. */
  | { readonly code: 'tare-unusual'; readonly leastKg: number; readonly mostKg: number }
  /** They would, the other way round. */
  | { readonly code: 'swapped' }
  /** Too low for a refrigerant cylinder: another unit, or another stamp. */
  | { readonly code: 'service-low' };

/** Source: `usual-collars.json`. Judged without any model: a form asks it as somebody types. */
export function collarDoubts(collar: Collar): readonly CollarDoubt[] {
  const { volumeM3, tareKg, servicePressurePa } = collar;
  const pounds = nominalSize(volumeM3);
  const { least, most } = usualTare(servicePressurePa);
  const litres = volumeM3 * 1000;
  const fits = (kg: number, ofLitres: number) => kg >= least * ofLitres && kg <= most * ofLitres;
  return [
    ...(pounds === undefined ? [] : [{ code: 'nominal-size' as const, pounds }]),
    ...(fits(tareKg, litres)
      ? []
      : // a liter of water weighs a kilogram: what was read as one may be the other
        fits(litres, tareKg)
        ? [{ code: 'swapped' as const }]
        : [{ code: 'tare-unusual' as const, leastKg: least * litres, mostKg: most * litres }]),
    ...(servicePressurePa < data.leastServicePa ? [{ code: 'service-low' as const }] : []),
  ];
}

const usualTare = (servicePressurePa: number) =>
  data.tareKgPerLitre[servicePressurePa >= data.highPressureFromPa ? 'high-pressure' : 'low-pressure'];

/** Nominal sizes are weights of content; none of them is stamped as a water capacity. */
const nominalSize = (volumeM3: number): number | undefined =>
  data.nominalLb.find((pounds) => Math.abs(volumeM3 / volumeFrom(pounds, 'lb-water') - 1) <= data.nominalWithinShare);
