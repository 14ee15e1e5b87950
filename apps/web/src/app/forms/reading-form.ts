import { computed, inject, type Signal } from '@angular/core';
import type { MassUnit } from '@hygromet/core/units/mass';
import type { PressureUnit } from '@hygromet/core/units/pressure';
import type { Pascal } from '@hygromet/core/units/quantity';
import type { Preferences } from '../preferences/preferences';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { massEntry, pressureEntry, temperatureEntry, vacuumEntry } from '../ui/entry-of';
import { emptyEntry, readQuantity, type QuantityEntry, type Reading } from '../ui/quantity-entry';
import { draftForm, type DraftForm } from './draft-form';
import { quantity } from './validators';

/** What instruments show. */
export type ReadKind = 'mass' | 'pressure' | 'temperature' | 'vacuum';

export interface ReadingForm<K extends string> extends Pick<DraftForm<Record<K, QuantityEntry>>, 'form' | 'value'> {
  /** What each field says, in SI. */
  readonly read: Signal<Readonly<Record<K, Reading>>>;
  /** Puts what an instrument shows, in SI, into a field, in the unit that stands there. */
  readonly take: (field: K, si: number) => void;
  /** Empties fields once their reading was added; their units stay. */
  readonly empty: (...fields: readonly K[]) => void;
}

/**
 * Readings that are taken again and again: typed, or taken from an instrument, and kept on the device until they were added. Call it where
 * effects may be made.
 * @param name of the draft @param kinds the fields, with what each of them reads
 */
export function readingForm<K extends string>(name: string, kinds: Readonly<Record<K, ReadKind>>): ReadingForm<K> {
  const [units, preferences] = [inject(Units), inject(PreferencesService).current];
  const atmosphere = () => units.atmosphere();
  const of = <T>(make: (kind: ReadKind, field: K) => T): Record<K, T> =>
    Object.fromEntries(Object.entries<ReadKind>(kinds).map(([field, kind]) => [field, make(kind, field as K)])) as Record<K, T>; // its own keys
  const { form, value } = draftForm(name, () => of((kind) => emptyEntry(usualUnit(kind, preferences()))), {
    fields: of((kind) => [quantity(kind, { optional: true, atmosphere })]),
  });
  const put = (field: K, entry: QuantityEntry) => {
    form.controls[field].setValue(entry);
  };
  return {
    form,
    value,
    read: computed(() => of((kind, field) => readQuantity(kind, value()[field], atmosphere()))),
    take: (field, si) => put(field, entryOf(kinds[field], si, value()[field].unit, atmosphere())),
    empty: (...fields) => fields.forEach((field) => put(field, emptyEntry(value()[field].unit))),
  };
}

const usualUnit = (kind: ReadKind, preferences: Preferences): string => (kind === 'vacuum' ? 'micron' : preferences[kind]);

function entryOf(kind: ReadKind, si: number, unit: string, atmosphere: Pascal): QuantityEntry {
  // a field offers only the units of its kind
  switch (kind) {
    case 'mass':
      return massEntry(si, unit as MassUnit);
    case 'pressure':
      return pressureEntry(si, unit as PressureUnit, atmosphere);
    case 'temperature':
      return temperatureEntry(si, unit as 'F' | 'C');
    case 'vacuum':
      return vacuumEntry(si, unit as 'micron' | 'Pa');
    default:
      return kind satisfies never;
  }
}
