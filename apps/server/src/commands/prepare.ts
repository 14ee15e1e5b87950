import { loadDemo } from '../demo/load-demo';
import { inThisThread } from '../computing/computing';
import { realOutside } from '../domain/outside';
import { sealWhatWaits } from '../proof/seal-in-background';
import type { Db } from '../store/database';
import { migrate } from '../store/migrate';

/** As the owner of the database. Prints what was done, for the start script. @throws the error of the migration that failed */
export async function prepare(db: Db): Promise<void> {
  const done = await migrate(db);
  const loaded = await loadDemo(db, realOutside(inThisThread));
  await sealWhatWaits(db);
  await db.destroy();
  process.stdout.write(JSON.stringify({ migrations: done, demo: loaded }) + '\n');
}
