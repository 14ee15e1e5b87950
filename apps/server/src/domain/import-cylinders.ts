import type { NewCylinder } from '@hygromet/contract/cylinder';
import type { CylindersImport, ImportAnswer } from '@hygromet/contract/import';
import { changeCylinder, cylinderByName, type CylinderRecord } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import type { OrganisationRow } from '../store/organisation-store';
import { importRows } from './import-rows';
import type { Environment } from './environment';
import { DomainError } from './domain-error';
import { enterCylinder } from './register-cylinder';

/** What a collar says may be read to the last stamped digit; a file may have rounded it. */
const FILE_ROUNDING = 1e-3;

/** Cylinders are known by their number. A new one is registered; of a known one only its place is changed, never collar or content. */
export const importCylinders = (
  db: Executor,
  organisation: OrganisationRow,
  { rows, tryOnly }: CylindersImport,
  environment: Environment,
): Promise<ImportAnswer> =>
  importRows(db, rows, tryOnly, async (tx, row) => {
    const known = await cylinderByName(tx, organisation.id, row.name);
    if (known === undefined) {
      await enterCylinder(tx, organisation, row, environment);
      return 'added';
    }
    refuseOtherCollar(known, row);
    if (known.place === row.place) return 'unchanged';
    await changeCylinder(tx, organisation.id, known.id, { place: row.place }, 'import');
    return 'changed';
  });

function refuseOtherCollar(known: CylinderRecord, row: NewCylinder): void {
  const same = (here: number, there: number) => Math.abs(here - there) <= FILE_ROUNDING * here;
  const differs = [
    ...(same(known.volumeM3, row.volumeM3) ? [] : [`water capacity (${(known.volumeM3 * 1000).toFixed(2)} L here)`]),
    ...(same(known.tareKg, row.tareKg) ? [] : [`tare (${known.tareKg.toFixed(3)} kg here)`]),
    ...(same(known.servicePressurePa, row.servicePressurePa)
      ? []
      : [`service pressure (${(known.servicePressurePa / 1e5).toFixed(1)} bar here)`]),
    ...(known.requalified === row.requalified ? [] : [`stamp (${known.requalified} here)`]),
  ];
  if (differs.length > 0)
    throw new DomainError(
      'name-taken',
      `${row.name} is in the register with another ${differs.join(' and ')}. Read its collar again, or give it another number.`,
    );
}
