// @ts-check
import { pathToFileURL } from 'node:url';
import { buildProperties, PROPERTIES } from './lib/build.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { fail, sayOnStderr } from './lib/say.mjs';

/** The property core on the command line: npm run -s properties < questions.ndjson */
async function main() {
  sayOnStderr(); // standard output belongs to the answers
  await ensureDependencies();
  await buildProperties();
  await import(pathToFileURL(PROPERTIES).href);
}

main().catch(fail);
