import { Migrator, sql, type Migration } from 'kysely';
import type { Db } from './database';
import { giveRights } from './rights';
import * as accounts from './migrations/0001-accounts';
import * as ledger from './migrations/0002-ledger';
import * as systemFacts from './migrations/0003-system-facts';
import * as visits from './migrations/0004-visits';
import * as visitRecord from './migrations/0005-visit-record';
import * as cylinderLife from './migrations/0006-cylinder-life';
import * as flatLedger from './migrations/0007-flat-ledger';
import * as weighedIn from './migrations/0008-weighed-in';
import * as lastMoved from './migrations/0009-last-moved';
import * as findEntries from './migrations/0010-find-entries';
import * as against from './migrations/0011-against';
import * as hottestPlace from './migrations/0012-hottest-place-is-law';
import * as guards from './migrations/0013-guards';
import * as keptRegisters from './migrations/0014-kept-registers';
import * as seal from './migrations/0015-seal';
import * as visitEvents from './migrations/0016-visit-events';
import * as appointments from './migrations/0017-visit-appointments-and-tests';
import * as refrigerantTests from './migrations/0018-refrigerant-tests';
import * as shipments from './migrations/0019-shipments-and-prices';
import * as runs from './migrations/0020-runs';
import * as instruments from './migrations/0021-instruments';
import * as people from './migrations/0022-people';
import * as sentOnce from './migrations/0023-sent-once';
import * as ofOneFirm from './migrations/0024-of-one-firm';
import * as enteredTogether from './migrations/0025-entered-together';
import * as photographs from './migrations/0026-photographs';
import * as chargeNotes from './migrations/0027-charge-notes';
import * as oneTableOfSendings from './migrations/0028-one-table-of-sendings';

/** Imported one by one, so that they survive bundling. A migration is never edited once it has run anywhere. */
const migrations: Record<string, Migration> = {
  '0001-accounts': accounts,
  '0002-ledger': ledger,
  '0003-system-facts': systemFacts,
  '0004-visits': visits,
  '0005-visit-record': visitRecord,
  '0006-cylinder-life': cylinderLife,
  '0007-flat-ledger': flatLedger,
  '0008-weighed-in': weighedIn,
  '0009-last-moved': lastMoved,
  '0010-find-entries': findEntries,
  '0011-against': against,
  '0012-hottest-place-is-law': hottestPlace,
  '0013-guards': guards,
  '0014-kept-registers': keptRegisters,
  '0015-seal': seal,
  '0016-visit-events': visitEvents,
  '0017-visit-appointments-and-tests': appointments,
  '0018-refrigerant-tests': refrigerantTests,
  '0019-shipments-and-prices': shipments,
  '0020-runs': runs,
  '0021-instruments': instruments,
  '0022-people': people,
  '0023-sent-once': sentOnce,
  '0024-of-one-firm': ofOneFirm,
  '0025-entered-together': enteredTogether,
  '0026-photographs': photographs,
  '0027-charge-notes': chargeNotes,
  '0028-one-table-of-sendings': oneTableOfSendings,
};

export const newestMigration = Object.keys(migrations).sort().at(-1) ?? '';

/** Brings the database to the newest shape, with the rights of its roles. @throws the error of the migration that failed */
export async function migrate(db: Db): Promise<readonly string[]> {
  await refuseNewer(db);
  const names = await migrateTo(db, newestMigration);
  await giveRights(db);
  return names;
}

/** Brings the database to the shape of that migration, without rights. @throws the error of the migration that failed */
export async function migrateTo(db: Db, name: string): Promise<readonly string[]> {
  const { error, results } = await new Migrator({ db, provider: { getMigrations: () => Promise.resolve(migrations) } }).migrateTo(name);
  if (error !== undefined) throw error as Error; // the migrator passes on what was thrown
  return (results ?? []).map(({ migrationName }) => migrationName);
}

/** Data that a newer version has used are left as they are. @throws a sentence */
async function refuseNewer(db: Db): Promise<void> {
  const { rows } = await sql<{ there: boolean }>`select to_regclass('kysely_migration') is not null as there`.execute(db);
  if (rows[0]?.there !== true) return;
  const done = await db.selectFrom('kysely_migration').select('name').orderBy('name').execute();
  const strange = done.map(({ name }) => name).filter((name) => !(name in migrations));
  if (strange.length > 0)
    throw new Error(
      `These data were last used by a newer version of Hygromet (it made ${strange.join(', ')}). Start that version, or restore a backup of this one.`,
    );
}
