import { designationOf } from '../fluids/refrigerant';
import type { Composition } from '../fluids/composition';
import data from './cycle-parameters.json';
import type { CycleTable } from './cycle-table';

export const unitKinds = ['split', 'packaged', 'heat-pump', 'walk-in', 'chiller'] as const;
export type UnitKind = (typeof unitKinds)[number];
/** Of a house its humidity counts as well; a box is dry, and water has none. */
export const coolsMoistAir = (kind: UnitKind | undefined): boolean => kind !== 'walk-in' && kind !== 'chiller';
export const meterings = ['orifice', 'txv', 'eev'] as const;
export type Metering = (typeof meterings)[number];

/** What a plate and a look say of a unit, SI. */
export interface UnitPlate {
  readonly composition: Composition;
  readonly kind: UnitKind;
  readonly metering: Metering;
  readonly capacityW: number;
  readonly plateKg: number;
  /** K, where the plate prints it. */
  readonly plateSubcoolingK?: number | undefined;
  readonly receiverM3?: number | undefined;
  /** K at which it condenses at least, where a valve or its fans hold the head in the cold. */
  readonly headHeldK?: number | undefined;
  /** m of line set; where it is not known, what the kind usually has. */
  readonly lineM?: number | undefined;
  readonly compressor?: 'scroll' | 'reciprocating' | undefined;
}

export type GuessName = keyof typeof data.guesses;
export const guessNames = Object.keys(data.guesses) as readonly GuessName[]; // the keys of the table are the names
/** What no plate says. Each has its usual value and its sigma in `cycle-parameters.json`. */
export type Guesses = Readonly<Record<GuessName, number>>;
export const usualGuesses = Object.fromEntries(guessNames.map((name) => [name, data.guesses[name].value])) as Guesses;
export const sigmaOf = (name: GuessName): number => data.guesses[name].sigma;

/** One coil: conductance outside W/K, heat capacity flow W/K and mass flow kg/s of its air or water at the rating, volume m³. */
export interface Coil {
  readonly UA: number;
  readonly flow: number;
  readonly volume: number;
}

/** A unit whose numbers close at its rating point. */
export interface Unit {
  readonly plate: UnitPlate;
  readonly guesses: Guesses;
  readonly table: CycleTable;
  readonly outdoor: Coil;
  readonly indoor: Coil;
  /** Water on the evaporator's side. */
  readonly wetSide: 'air' | 'water';
  /** m³/s at full speed; kg/s at the rating. */
  readonly displacement: number;
  readonly ratedFlow: number;
  /** m² of the metering device at the rating's opening. */
  readonly meteringArea: number;
  /** K of superheat at which a valve is open as at the rating. */
  readonly valveSuperheat: number;
  /** Pa (kg/s)⁻² kg/m³: pressure drops are K m²/rho. */
  readonly suctionDrop: number;
  readonly liquidDrop: number;
  readonly orificeC: number;
  readonly lineM: number;
  readonly shellM3: number;
  /** kg that the oil holds at the rating's suction pressure, and that pressure. */
  readonly oilHolds: number;
  readonly ratedSuction: number;
  /** kg in it at the rating: the plate; and what of it rests beside the circuit, in a compensator or an accumulator. */
  readonly chargeKg: number;
  readonly restsKg: number;
  /** ln condensing and evaporating pressure, and y, at the rating. */
  readonly rated: readonly [number, number, number];
}

export const orificeChoke = (composition: Composition): number => {
  const usual: Readonly<Record<string, number>> = data.orificeC;
  return usual[designationOf(composition) ?? 'others'] ?? data.orificeC.others;
};
export const usualLine = (kind: UnitKind): number => (kind === 'split' || kind === 'heat-pump' ? 7.6 : kind === 'walk-in' ? 10 : 1.5);
