import type { SystemKind } from '../circuit/system-kind';
import type { UnitKind } from './unit';
import data from './unit-kinds.json';

/** The model that stands for a kind of system; nothing for those whose circuit is of another sort. */
export const unitKindOf = (kind: SystemKind): UnitKind | undefined => (data.kinds as Partial<Record<SystemKind, UnitKind>>)[kind]; // `unit-of-kind.test.ts` holds the names

/** W that a charge of so many kilograms usually cools, where nobody has read the plate. */
export const usualCapacityW = (plateKg: number): number => data.wattsPerKilogram * plateKg;
