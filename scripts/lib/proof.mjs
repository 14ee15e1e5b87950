// @ts-check
import { SERVER } from './build.mjs';
import { urlOf } from './cluster.mjs';
import { run } from './run.mjs';

/**
 * Proves the ledger in a database, as the role that may only read; against a seal that was kept where one is given.
 * @param {import('./cluster.mjs').Settings} settings @param {{ database?: string, seal?: string }} [options]
 */
export async function prove(settings, { database, seal } = {}) {
  const { code, output } = await run(process.execPath, [SERVER, 'verify', ...(seal === undefined ? [] : [seal])], {
    env: { ...process.env, DATABASE_URL: urlOf(settings, 'reader', database) },
  });
  return { proved: code === 0, said: output.trim(), seal: /^Seal: (\S+)$/m.exec(output)?.[1] };
}
