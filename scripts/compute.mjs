// @ts-check
import { pathToFileURL } from 'node:url';
import { buildComputeLine, COMPUTE_LINE } from './lib/build.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { fail, sayOnStderr } from './lib/say.mjs';

/** Proof, account and charge on the command line: npm run -s compute < questions.ndjson */
async function main() {
  sayOnStderr(); // standard output belongs to the answers
  await ensureDependencies();
  await buildComputeLine();
  await import(pathToFileURL(COMPUTE_LINE).href);
}

main().catch(fail);
