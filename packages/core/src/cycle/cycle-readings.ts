import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { airEnthalpy, airHeatCapacity, saturatedTemperature } from './moist-air';
import type { CycleState, Scene } from './cycle-state';
import readings from './readings.json';

/** What everybody reads on a running unit. */
export const baseReadings = ['head', 'suction', 'suctionLine', 'liquidLine', 'supply'] as const;
/** What may be read next, where it decides; two of them with the unit standing. */
export const nextReadings = [
  'discharge',
  'power',
  'condenserAir',
  'meteringInlet',
  'supplyWetBulb',
  'headZero',
  'suctionZero',
  'standing',
  'airflow',
  'outdoorCoil',
] as const;
export type NextReading = (typeof nextReadings)[number];
export const readingNames = [...baseReadings, ...nextReadings] as const;
export type ReadingName = (typeof readingNames)[number];
/** Pa absolute, K, W; the zeros in Pa; the standing pressure beyond saturation in Pa; both airs as a share. */
export type Readings = Readonly<Partial<Record<ReadingName, number>>>;

/** What an instrument says of a state, with the errors that the faults give the gauges. */
export function readingsOf(scene: Scene, state: CycleState): Record<ReadingName, number> {
  const { faults, unit, conditions } = scene;
  const { headGauge, suctionGauge, air, indoorAir, outdoorAir } = faults;
  return {
    head: state.head + headGauge,
    suction: state.suction + suctionGauge,
    suctionLine: state.suctionK,
    liquidLine: state.liquidK,
    supply: state.supplyK,
    discharge: state.dischargeK,
    power: state.powerW,
    condenserAir: state.rejectedK,
    meteringInlet: state.meteringInletK,
    supplyWetBulb: wetBulbBehind(scene, state),
    headZero: headGauge,
    suctionZero: suctionGauge,
    standing: air * (conditions.atmospherePa ?? STANDARD_ATMOSPHERE) + headGauge,
    airflow: indoorAir * unit.guesses.indoorAir,
    outdoorCoil: outdoorAir * unit.guesses.outdoorAir,
  };
}

/** K of the wet bulb behind the indoor coil. */
function wetBulbBehind({ unit: { indoor }, faults, evaporatorAir, airDensity }: Scene, { evaporator: { heatW } }: CycleState): number {
  if (evaporatorAir.humidity === 0) return evaporatorAir.T;
  const flow = (indoor.flow * faults.indoorAir * airDensity) / airHeatCapacity(evaporatorAir.humidity);
  return saturatedTemperature(airEnthalpy(evaporatorAir.T, evaporatorAir.humidity) - heatW / flow, evaporatorAir.p);
}

/** One sigma of what a reading may be off: by its instrument, and by what the model does not know of any real unit. */
export function sigmaOfReading(name: ReadingName, value: number): number {
  const { noise, noiseShare, model, modelShare } = readings.of[name] as Partial<
    Record<'noise' | 'noiseShare' | 'model' | 'modelShare', number>
  >;
  return Math.hypot(Math.max(noise ?? 0, (noiseShare ?? 0) * value), (model ?? 0) + (modelShare ?? 0) * value);
}

/**
 * What a technician derives from the readings, K: superheat, subcooling, condensing over ambient, split (of water its range); of a cold room
 * how far the coil boils below its box, of a chiller how far below the water that leaves it.
 */
export interface Derived {
  readonly superheat: number;
  readonly subcooling: number;
  readonly condensingOver: number;
  readonly split: number;
  readonly coilDifference: number;
  readonly approach: number;
}

export function derivedOf({ unit: { table }, conditions }: Scene, entry: Readings): Partial<Derived> {
  const { head, suction, suctionLine, liquidLine, supply } = entry;
  const at = head === undefined ? undefined : table.saturation(head);
  const boils = suction === undefined ? undefined : table.saturation(suction).Td;
  return {
    ...(boils === undefined || suctionLine === undefined ? {} : { superheat: suctionLine - boils }),
    ...(boils === undefined ? {} : { coilDifference: (conditions.heating === true ? conditions.outdoorK : conditions.indoorK) - boils }),
    ...(boils === undefined || supply === undefined ? {} : { approach: supply - boils }),
    ...(at === undefined || liquidLine === undefined ? {} : { subcooling: at.Tb - liquidLine }),
    ...(at === undefined
      ? {}
      : { condensingOver: (at.Tb + at.Td) / 2 - (conditions.heating === true ? conditions.indoorK : conditions.outdoorK) }),
    ...(supply === undefined ? {} : { split: Math.abs(conditions.indoorK - supply) }),
  };
}
