import type { ImportAnswer, SystemsImport } from '@hygromet/contract/import';
import { saidOf } from '@hygromet/contract/known-facts';
import type { NewSystem, System, SystemFacts } from '@hygromet/contract/system';
import type { RecordFact } from '@hygromet/core/circuit/evidence';
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
    const facts = stillKnown(row.facts ?? {}, known.facts);
    if (sameFacts(facts, known.facts)) return 'unchanged';
    await saveFacts(tx, organisation.id, known.id, { version: known.version, facts, recordedBy }, environment.now());
    return 'changed';
  });

/** A table does not tell how a fact is known: of what it leaves as it is, that stays known. */
function stillKnown(facts: SystemFacts, before: SystemFacts): SystemFacts {
  if (facts.known !== undefined || before.known === undefined) return facts;
  const same = Object.entries(before.known).filter(([fact]) => {
    const name = fact as RecordFact; // the contract names them
    return sameFacts(saidOf(facts, name), saidOf(before, name));
  });
  return { ...facts, known: Object.fromEntries(same) };
}

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
