import { STANDARD_ATMOSPHERE } from '../units/pressure';
import data from './cycle-parameters.json';
import { humidityOf, wetBulbOf } from './moist-air';

/** What is around a running unit. */
export interface Conditions {
  readonly outdoorK: number;
  /** Return air, box air, or entering water. */
  readonly indoorK: number;
  /** Of the return air; nothing where it is dry or water. */
  readonly indoorWetBulbK?: number | undefined;
  readonly atmospherePa?: number | undefined;
  /** Rain or dew on the outdoor coil: it evaporates there. */
  readonly rain?: boolean | undefined;
  /** Of the outdoor air; nothing where nobody has read it. */
  readonly outdoorWetBulbK?: number | undefined;
  /** A heat pump that heats: its coils have changed places. */
  readonly heating?: boolean | undefined;
}

/** What may be wrong with it; one, or 0, is as it should be. */
export interface Faults {
  /** Share of the plate that is in it. */
  readonly charge: number;
  /** Times the pressure drop of the liquid line. */
  readonly restriction: number;
  /** Share of the air over each coil. */
  readonly indoorAir: number;
  readonly outdoorAir: number;
  /** Share of the internal volume that was left full of air at one atmosphere. */
  readonly air: number;
  /** Share of the compressor's flow that leaks back through its valves. */
  readonly valveLeak: number;
  /** Times the area of the metering device. */
  readonly metering: number;
  /** Pa that a gauge reads too much. */
  readonly suctionGauge: number;
  readonly headGauge: number;
}

export const noFaults: Faults = {
  charge: 1,
  restriction: 0,
  indoorAir: 1,
  outdoorAir: 1,
  air: 0,
  valveLeak: 0,
  metering: 1,
  suctionGauge: 0,
  headGauge: 0,
};

/** Air on a coil, as the model takes it. */
export interface AirOn {
  readonly T: number;
  /** kg/kg; nothing where it is water. */
  readonly humidity: number;
  readonly p: number;
}

/** Outdoors, as a coil feels it: a wet one takes its air some way to the wet bulb. */
export function airOutside(conditions: Conditions): AirOn {
  const { outdoorK, rain = false, outdoorWetBulbK, atmospherePa = STANDARD_ATMOSPHERE } = conditions;
  const { effect, relative, dryRelative } = data.rain;
  const wet = outdoorWetBulbK ?? wetBulbOf(outdoorK, rain ? relative : dryRelative, atmospherePa);
  return { T: rain ? outdoorK - effect * (outdoorK - wet) : outdoorK, humidity: humidityOf(outdoorK, wet, atmospherePa), p: atmospherePa };
}

export function airInside({ indoorK, indoorWetBulbK, atmospherePa = STANDARD_ATMOSPHERE }: Conditions): AirOn {
  const humidity = indoorWetBulbK === undefined ? 0 : humidityOf(indoorK, indoorWetBulbK, atmospherePa);
  return { T: indoorK, humidity, p: atmospherePa };
}
