// @ts-check
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { at, root } from './paths.mjs';

/** Hash of the content of files and folders, given from the root. @param {string[]} places */
export function fingerprint(places) {
  const hash = createHash('sha256');
  for (const file of places.flatMap((place) => filesIn(at(place)))) hash.update(path.relative(root, file)).update(readFileSync(file));
  return hash.digest('hex');
}

/** @param {string} place @returns {string[]} */
function filesIn(place) {
  if (!existsSync(place)) return [];
  if (statSync(place).isFile()) return [place];
  return readdirSync(place)
    .sort()
    .filter((name) => name !== 'node_modules' && !name.endsWith('.test.ts'))
    .flatMap((name) => filesIn(path.join(place, name)));
}

/**
 * Does the work only when what it rests on has changed since it was last done, or when what it made is no longer as it was made.
 * @param {string} stamp file that keeps the last fingerprints, from the root
 * @param {string[]} places @param {() => Promise<void>} work @param {string[]} [product] what the work makes
 */
export async function whenChanged(stamp, places, work, product = []) {
  const now = fingerprint(places);
  if (existsSync(at(stamp)) && readFileSync(at(stamp), 'utf8') === both(now, product)) return false;
  await work();
  mkdirSync(path.dirname(at(stamp)), { recursive: true });
  writeFileSync(at(stamp), both(now, product));
  return true;
}

/** @param {string} sources @param {string[]} product */
const both = (sources, product) => (product.length === 0 ? sources : `${sources} ${fingerprint(product)}`);
