import { noFaults, type Conditions } from './conditions';
import { derivedOf, type Derived, type Readings } from './cycle-readings';
import { sceneOf } from './cycle-state';
import { expectedToday, type Band } from './expected-today';
import { cloudOf, type Knowledge } from './knowledge';
import type { UnitPlate } from './unit';

/** One check of a unit, as it was read. */
export interface SeasonTask {
  readonly plate: UnitPlate;
  readonly conditions: Conditions;
  readonly readings: Readings;
}

/** What was read then against what it should have read in that weather: only that can be compared from season to season, K. */
export type SeasonRow = Readonly<Record<'superheat' | 'subcooling' | 'condensingOver', { readonly read?: number; readonly band?: Band }>>;

/** The checks of one unit beside each other, each against its own day. @throws the property core's errors */
export const seasonsOf = (checks: readonly SeasonTask[], knowledge?: Knowledge): readonly SeasonRow[] =>
  checks.map(({ plate, conditions, readings }) => {
    const cloud = cloudOf(plate, knowledge);
    const [derived, expected] = [derivedOf(sceneOf(cloud.likely, conditions, noFaults), readings), expectedToday(cloud, conditions)];
    const row = (name: keyof Derived) => ({
      ...(derived[name] === undefined ? {} : { read: derived[name] }),
      ...(expected === undefined ? {} : { band: expected[name] }),
    });
    return { superheat: row('superheat'), subcooling: row('subcooling'), condensingOver: row('condensingOver') };
  });
