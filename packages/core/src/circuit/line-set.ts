import type { Density, Metre } from '../units/quantity';
import table from './copper-tube.json';

/** Outside diameter in inches as it is called, "3/8". */
export type TubeSize = keyof typeof table.bores;

export const tubeSizes = Object.keys(table.bores) as readonly TubeSize[]; // the keys of the table are the sizes

/** Volume of a tube, m³, from its bore. Source: ASTM B280, see `copper-tube.json`. */
export const tubeVolume = (size: TubeSize, length: Metre): number => ((Math.PI * (table.bores[size] * table.inch) ** 2) / 4) * length;

/** The pipes between the indoor and the outdoor part. */
export interface LineSet {
  readonly length: Metre;
  readonly liquid: TubeSize;
  readonly suction: TubeSize;
  /** Length that the charge on the plate covers. */
  readonly covered: Metre;
}

/** What a longer or shorter liquid line takes beyond the plate, kg; negative where the line is shorter than what is covered. */
export const lineCorrection = ({ length, covered, liquid }: LineSet, rhoLiquid: Density): number =>
  Math.sign(length - covered) * tubeVolume(liquid, Math.abs(length - covered) as Metre) * rhoLiquid;
