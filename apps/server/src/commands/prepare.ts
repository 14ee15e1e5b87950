import { inThisThread } from '../computing/computing';
import { loadDemo } from '../demo/load-demo';
import { systemEnvironment } from '../domain/environment';
import { openFirm } from '../domain/open-firm';
import { sealWhatWaits } from '../proof/seal-in-background';
import type { Db } from '../store/database';
import { migrate } from '../store/migrate';
import { ownOrganisation } from '../store/organisation-store';

/**
 * As the owner of the database. Prints what was done, for the start script.
 * @param empty a database that is empty is opened for a firm of its own instead of for the demo
 * @throws the error of the migration that failed
 */
export async function prepare(db: Db, empty: boolean): Promise<void> {
  const migrations = await migrate(db);
  const environment = systemEnvironment(inThisThread);
  const opened = await (empty ? openFirm(db, environment) : loadDemo(db, environment));
  await sealWhatWaits(db);
  const { demo } = await ownOrganisation(db);
  await db.destroy();
  process.stdout.write(JSON.stringify({ migrations, opened, demo }) + '\n');
}
