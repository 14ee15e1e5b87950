// @ts-check
import { format } from './lib/formatters.mjs';
import { fail, Stop } from './lib/say.mjs';

/** Every file of the project as it is to stand. */
async function main() {
  const { code, output } = await format('write');
  if (code !== 0) throw new Stop(output);
}

main().catch(fail);
