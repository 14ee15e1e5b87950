import type { Conditions } from '@hygromet/core/cycle/conditions';
import type { ReadingName, Readings } from '@hygromet/core/cycle/cycle-readings';
import { followedQuantities, type FollowedQuantity, type FollowedRun } from '@hygromet/core/cycle/followed-run';
import { SETTLES_S } from '@hygromet/core/cycle/settled';
import { meterings, type Metering } from '@hygromet/core/cycle/unit';
import { PASCAL_PER_PSI } from '@hygromet/core/proof/trace';
import { CoreError } from '@hygromet/core/errors';
import type { PressureUnit } from '@hygromet/core/units/pressure';
import { pascal, type Pascal } from '@hygromet/core/units/quantity';
import { readNumber } from '@hygromet/core/units/read-number';
import { wattsIn } from '@hygromet/core/units/power';
import { pressureEntry, temperatureEntry } from '../../ui/entry-of';
import { emptyEntry, readQuantity, type QuantityEntry, type QuantityKind } from '../../ui/quantity-entry';

/** What is read of the unit, with the kind of field that it is typed in. */
export const readingKinds = {
  head: 'pressure',
  suction: 'pressure',
  suctionLine: 'temperature',
  liquidLine: 'temperature',
  supply: 'temperature',
  discharge: 'temperature',
  condenserAir: 'temperature',
  meteringInlet: 'temperature',
  supplyWetBulb: 'temperature',
} as const satisfies Partial<Record<ReadingName, QuantityKind>>;
export type TypedReading = keyof typeof readingKinds;
export const airNames = ['outdoor', 'indoor', 'wetBulb'] as const;
export type AirName = (typeof airNames)[number];

export interface CheckDraft {
  readonly readings: Readonly<Record<TypedReading, QuantityEntry>>;
  readonly air: Readonly<Record<AirName, QuantityEntry>>;
  readonly zeros: { readonly head: string; readonly suction: string };
  readonly metering: string;
  readonly capacity: string;
  readonly subcooling: string;
  readonly rain: boolean;
  readonly heating: boolean;
  readonly minutes: string;
  /** What instruments have seen of it; nothing while it is read by hand: then the minutes decide. */
  readonly seen: '' | 'settled' | 'moving';
}

export function emptyCheck(pressure: string, temperature: string): CheckDraft {
  const blank = (names: readonly string[], unit: string) => Object.fromEntries(names.map((name) => [name, emptyEntry(unit)]));
  const kinds = Object.entries(readingKinds);
  const of = (kind: QuantityKind) => kinds.filter(([, own]) => own === kind).map(([name]) => name);
  return {
    readings: { ...blank(of('pressure'), pressure), ...blank(of('temperature'), temperature) } as CheckDraft['readings'], // every name is of one of the kinds
    air: blank(airNames, temperature) as CheckDraft['air'],
    zeros: { head: '', suction: '' },
    metering: '',
    capacity: '',
    subcooling: '',
    rain: false,
    heating: false,
    minutes: '',
    seen: '',
  };
}

/** A draft with what instruments read now in its fields, in the units of the fields; what none of them reads stays as it was typed. */
export function withFollowed(draft: CheckDraft, { values, settled }: FollowedRun, atmosphere: Pascal): CheckDraft {
  const entry = (name: FollowedQuantity, kind: QuantityKind, field: QuantityEntry): QuantityEntry => {
    const value = values[name];
    if (value === undefined) return field;
    // a field offers only the units of its kind
    return kind === 'pressure'
      ? pressureEntry(value, field.unit as PressureUnit, atmosphere)
      : temperatureEntry(value, field.unit as 'F' | 'C');
  };
  const readings = Object.fromEntries(
    Object.entries(readingKinds).map(([name, kind]) => {
      const field = draft.readings[name as TypedReading];
      return [name, isFollowed(name) ? entry(name, kind, field) : field];
    }),
  ) as CheckDraft['readings']; // of every name
  const air = Object.fromEntries(airNames.map((name) => [name, entry(name, 'temperature', draft.air[name])])) as CheckDraft['air'];
  return { ...draft, readings, air, seen: settled === undefined ? '' : settled ? 'settled' : 'moving' };
}

const isFollowed = (name: string): name is FollowedQuantity => followedQuantities.some((entry) => entry === name);

/** What one of this person's units is: K of a degree, W of a ton or a kilowatt, Pa of a psi or a kilopascal. */
export interface TypedUnits {
  readonly degreeK: number;
  readonly capacity: { readonly name: 'tons' | 'kW'; readonly W: number };
  readonly zero: { readonly name: 'psi' | 'kPa'; readonly Pa: number };
}
export const typedUnits = (degreeK: number, metric: boolean): TypedUnits => ({
  degreeK,
  capacity: metric ? { name: 'kW', W: wattsIn('kW') } : { name: 'tons', W: wattsIn('ton') },
  zero: metric ? { name: 'kPa', Pa: 1000 } : { name: 'psi', Pa: PASCAL_PER_PSI },
});

/** What can be asked once it is typed; what is wrong has its sentence at its field, what is missing is named. */
export interface CheckRead {
  readonly conditions: Conditions | undefined;
  readonly readings: Readings;
  readonly metering: Metering | undefined;
  readonly capacityW: number | undefined;
  readonly plateSubcoolingK: number | undefined;
  readonly settled: boolean;
  readonly problems: Readonly<Record<string, string>>;
}

/** Minutes after which a unit may be judged. */
export const SETTLES_MIN = SETTLES_S / 60;

export function readCheck(draft: CheckDraft, atmosphere: Pascal, units: TypedUnits): CheckRead {
  const problems: Record<string, string> = {};
  const quantity = (field: string, kind: QuantityKind, entry: QuantityEntry): number | undefined => {
    const read = readQuantity(kind, entry, atmosphere);
    if (read.state === 'bad') problems[field] = read.sentence;
    return read.state === 'good' ? read.si : undefined;
  };
  const number = (field: string, text: string): number | undefined => {
    if (text.trim() === '') return undefined;
    try {
      return readNumber(text);
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      problems[field] = error.message;
      return undefined;
    }
  };
  const names = Object.keys(readingKinds) as TypedReading[]; // the keys of the table are the names
  const read = Object.fromEntries(names.map((name) => [name, quantity(name, readingKinds[name], draft.readings[name])]));
  const zero = (side: 'head' | 'suction') => {
    const shown = number(`${side}Zero`, draft.zeros[side]);
    return shown === undefined ? undefined : shown * units.zero.Pa;
  };
  const all: Readings = { ...read, headZero: zero('head'), suctionZero: zero('suction') };
  const readings = Object.fromEntries(Object.entries<number | undefined>(all).filter(([, value]) => value !== undefined));
  const [outdoorK, indoorK, indoorWetBulbK] = airNames.map((name) => quantity(name, 'temperature', draft.air[name]));
  const [capacity, subcooling, minutes] = [
    number('capacity', draft.capacity),
    number('subcooling', draft.subcooling),
    number('minutes', draft.minutes),
  ];
  if (capacity !== undefined && capacity <= 0) problems['capacity'] = $localize`A capacity is above 0. Read it from the plate.`;
  return {
    conditions:
      outdoorK === undefined || indoorK === undefined
        ? undefined
        : { outdoorK, indoorK, indoorWetBulbK, atmospherePa: pascal(atmosphere), rain: draft.rain, heating: draft.heating },
    readings,
    metering: meterings.find((entry) => entry === draft.metering),
    capacityW: capacity === undefined || capacity <= 0 ? undefined : capacity * units.capacity.W,
    plateSubcoolingK: subcooling === undefined ? undefined : subcooling * units.degreeK,
    settled: draft.seen === '' ? minutes !== undefined && minutes >= SETTLES_MIN : draft.seen === 'settled',
    problems,
  };
}
