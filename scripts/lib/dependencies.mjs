// @ts-check
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { whenChanged } from './fingerprint.mjs';
import { at } from './paths.mjs';
import { run } from './run.mjs';
import { say, Stop } from './say.mjs';

/** It names the dependencies of every part; a manifest changes for many other reasons. */
const LOCK = 'package-lock.json';

const STAMP = 'node_modules/.hygromet-lock';

function isAnyMissing() {
  const { packages } = JSON.parse(readFileSync(at(LOCK), 'utf8'));
  return Object.entries(packages).some(
    ([place, { optional, link }]) => place.startsWith('node_modules/') && !optional && !link && !existsSync(at(place, 'package.json')),
  );
}

const install = () => run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--no-progress']);

/** Node packages exactly as the lock file says, installed anew only when it has changed. */
export async function ensureDependencies() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) throw new Stop(`Node ${process.versions.node} is too old. Install Node 20.19 or newer.`);
  // a package that somebody took away leaves the stamp behind
  if (isAnyMissing()) rmSync(at(STAMP), { force: true });
  await whenChanged(STAMP, [LOCK], async () => {
    say('installing the Node packages (npm ci, one to two minutes)');
    let { code, output } = await install();
    if (code !== 0 && output.includes('ENOTEMPTY')) {
      // an earlier installation was killed and left a half-removed tree
      rmSync(at('node_modules'), { recursive: true, force: true });
      ({ code, output } = await install());
    }
    if (code === 0) return;
    if (output.includes('ENOSPC')) throw new Stop('The disk is full. Free 1 GB and start again.');
    throw new Stop(`The Node packages could not be installed. Is the network there? Then type: npm ci\n${output.slice(-1500)}`);
  });
}
