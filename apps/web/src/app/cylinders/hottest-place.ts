import places from '@hygromet/core/cylinder/hottest-places.json';
import type { Units } from '../preferences/units.service';
import type { Choice } from '../ui/choice-field';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** A place of one's own, with its temperature; and the one of the settings where it is none of the usual. */
export const OWN_PLACE = 'own';
const SETTINGS = 'organisation';

/** The place that stands until somebody chooses: the organisation's own. */
export const usualPlace = (organisationK: number | undefined): string => places.places.find(({ T }) => T === organisationK)?.id ?? SETTINGS;

/** No cylinder is left where it is colder or hotter than that, K. */
const { coldestK, hottestK } = places.anyPlace;
const isAPlace = (T: number) => T >= coldestK && T <= hottestK;

/** What is wrong with a temperature of one's own that is a number. */
export function placeProblem(entry: QuantityEntry): string | undefined {
  const typed = readQuantity('temperature', entry);
  return typed.state === 'good' && !isAPlace(typed.si)
    ? $localize`No place for a cylinder is that cold or that hot. Check the unit.`
    : undefined;
}

/** How hot it gets there, K; nothing while a temperature of one's own cannot be read. */
export function hottestAt(place: string, entry: QuantityEntry, organisationK: number | undefined): number | undefined {
  if (place === OWN_PLACE) {
    const typed = readQuantity('temperature', entry);
    return typed.state === 'good' && isAPlace(typed.si) ? typed.si : undefined;
  }
  return places.places.find(({ id }) => id === place)?.T ?? organisationK;
}

export const hottestPlaces = (place: string, organisationK: number | undefined, units: Pick<Units, 'temperature'>): readonly Choice[] => [
  ...places.places.map(({ id, name, T }) => ({ value: id, label: `${name}, ${units.temperature(T)}` })),
  ...(place === SETTINGS ? [{ value: SETTINGS, label: $localize`As in the settings, ${units.temperature(organisationK ?? 0)}` }] : []),
  { value: OWN_PLACE, label: $localize`Another temperature` },
];
