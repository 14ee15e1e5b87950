import type { Cylinder } from '@hygromet/contract/cylinder';
import { places } from '@hygromet/contract/places';
import { contentName, isFilled, needsALook, placeNames } from './cylinder-labels';

/** What cylinders of one shelf have in common. */
export const shelvings = { place: $localize`by place`, refrigerant: $localize`by refrigerant`, state: $localize`by state` } as const;
export type Shelving = keyof typeof shelvings;

export interface Shelf {
  readonly name: string;
  readonly cylinders: readonly Cylinder[];
}

const states = [
  $localize`Needs attention`,
  $localize`Full`,
  $localize`Partial`,
  $localize`Empty and evacuated`,
  $localize`Empty, not evacuated`,
] as const;

function stateOf(cylinder: Cylinder): (typeof states)[number] {
  if (needsALook(cylinder)) return $localize`Needs attention`;
  if (cylinder.contentKg <= 0) return cylinder.evacuatedAt === null ? $localize`Empty, not evacuated` : $localize`Empty and evacuated`;
  return isFilled(cylinder) ? $localize`Full` : $localize`Partial`;
}

/** Shelves in the order in which they are gone along; an empty one is left out. */
export function shelvesOf(cylinders: readonly Cylinder[], by: Shelving): readonly Shelf[] {
  const [names, nameOf] = shelving(cylinders, by);
  return names
    .map((name) => ({ name, cylinders: cylinders.filter((cylinder) => nameOf(cylinder) === name) }))
    .filter((shelf) => shelf.cylinders.length > 0);
}

function shelving(cylinders: readonly Cylinder[], by: Shelving): readonly [readonly string[], (cylinder: Cylinder) => string] {
  switch (by) {
    case 'place':
      return [places.map((place) => placeNames[place]), ({ place }) => placeNames[place]];
    case 'state':
      return [states, stateOf];
    case 'refrigerant':
      return [[...new Set(cylinders.map(contentName))].sort((a, b) => a.localeCompare(b, undefined, { numeric: true })), contentName];
    default:
      return by satisfies never;
  }
}
