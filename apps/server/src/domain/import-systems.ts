import type { ImportAnswer, SystemsImport } from '@hygromet/contract/import';
import type { NewSystem, System } from '@hygromet/contract/system';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import type { Executor } from '../store/database';
import type { OrganisationRow } from '../store/organisation-store';
import { saveFacts, systemAt } from '../store/system-store';
import { importRows } from './import-rows';
import type { Environment } from './environment';
import { DomainError } from './domain-error';
import { registerSystem } from './register-system';
import { sameFacts } from './same-facts';

const FILE_ROUNDING = 0.001;

/** Systems are known by site and name. A new one is registered; of a known one the facts are changed, never what its plate says. */
export const importSystems = (
  db: Executor,
  organisation: OrganisationRow,
  { rows, tryOnly, recordedBy }: SystemsImport,
  environment: Environment,
): Promise<ImportAnswer> =>
  importRows(db, rows, tryOnly, async (tx, row) => {
    const known = await systemAt(tx, organisation.id, row.site, row.name);
    if (known === undefined) {
      await registerSystem(tx, organisation, row, environment);
      return 'added';
    }
    refuseOtherPlate(known, row);
    const facts = row.facts ?? {};
    if (sameFacts(facts, known.facts)) return 'unchanged';
    await saveFacts(tx, organisation.id, known.id, { version: known.version, facts, recordedBy }, environment.now());
    return 'changed';
  });

function refuseOtherPlate(known: System, row: NewSystem): void {
  const differs = [
    ...(known.kind === row.kind ? [] : [`kind (${known.kind} here)`]),
    ...(known.refrigerant === refrigerant(row.refrigerant).id ? [] : [`refrigerant (${known.refrigerant} here)`]),
    ...(Math.abs(known.nameplateKg - row.nameplateKg) < FILE_ROUNDING
      ? []
      : [`nameplate charge (${known.nameplateKg.toFixed(3)} kg here)`]),
  ];
  if (differs.length > 0)
    throw new DomainError(
      'name-taken',
      `${row.site}, ${row.name} is in the register with another ${differs.join(' and ')}. Give one of them another name.`,
    );
}
