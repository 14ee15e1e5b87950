// @ts-check
import { buildServer } from './lib/build.mjs';
import { dataOptions } from './lib/data-options.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { prove } from './lib/proof.mjs';
import { fail } from './lib/say.mjs';
import { withDatabase } from './lib/with-database.mjs';

const HELP = `npm run verify                    prove the whole ledger: every sum, every entry, the chain of seals
npm run verify -- --seal SEAL     and that it still begins as it did when that seal was printed
npm run verify -- --data DIR      of the data in another folder`;

/** The proof of the ledger; its exit code is 1 where something is not as it has to be. */
async function main() {
  const { dataFolder, values } = dataOptions(process.argv.slice(2), { help: HELP, more: { seal: { type: 'string' } } });
  await ensureDependencies();
  await buildServer();
  const seal = values['seal'];
  const { proved, said } = await withDatabase(dataFolder, ({ settings }) => prove(settings, seal === undefined ? {} : { seal }));
  process.stdout.write(`${said}\n`);
  process.exitCode = proved ? 0 : 1;
}

main().catch(fail);
