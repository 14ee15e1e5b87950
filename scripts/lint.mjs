// @ts-check
import { format } from './lib/formatters.mjs';
import { run } from './lib/run.mjs';
import { fail, Stop } from './lib/say.mjs';

/** In parts that can run beside each other. */
const PARTS = {
  // with its types; a comment that switches off what is not found is said
  code: () =>
    run('npx', ['oxlint', '--config', 'oxlint.config.mjs', '--type-aware', '--report-unused-disable-directives', '--deny-warnings']),
  // Angular, its templates, the rules of this house; what was looked at and has not changed since is known by heart
  house: () => run('npx', ['eslint', '--max-warnings', '0', '--cache', '--cache-location', '.data/cache/eslint/', '.']),
  format: () => format('check'),
};

/** All parts, or the one that is named. */
async function main() {
  const [only] = process.argv.slice(2);
  if (only !== undefined && !(only in PARTS))
    throw new Stop(`Nothing here is called ${only}. Choose one of ${Object.keys(PARTS).join(', ')}.`);
  for (const [name, check] of Object.entries(PARTS)) {
    if (only !== undefined && name !== only) continue;
    const { code, output } = await check();
    if (code !== 0) throw new Stop(name === 'format' ? `${output}\nTo format: npm run format` : output);
  }
}

main().catch(fail);
