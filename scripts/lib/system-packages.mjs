// @ts-check
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { run } from './run.mjs';
import { say, Stop } from './say.mjs';

const POSTGRES_HOME = '/usr/lib/postgresql';
/** Debian's Chromium without windows, bars and menus: what a test or a picture needs of it, in a tenth less time. */
const HEADLESS = '/usr/bin/chromium-headless-shell';
const WITH_WINDOWS = '/usr/bin/chromium';

/** The browser for tests and pictures; whoever has the whole of it needs no other. */
export const browserProgram = () => (!existsSync(HEADLESS) && existsSync(WITH_WINDOWS) ? WITH_WINDOWS : HEADLESS);

/** Folder of the newest PostgreSQL server on the machine, or nothing. @returns {string | undefined} */
export function postgresBinaries() {
  if (!existsSync(POSTGRES_HOME)) return undefined;
  const versions = readdirSync(POSTGRES_HOME).filter((version) => existsSync(path.join(POSTGRES_HOME, version, 'bin/initdb')));
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest === undefined ? undefined : path.join(POSTGRES_HOME, newest, 'bin');
}

/** The PostgreSQL server, installed where it is missing. @returns {Promise<string>} folder of its programs */
export async function ensurePostgres() {
  const known = postgresBinaries();
  if (known !== undefined) return known;
  await install(['postgresql'], 'the PostgreSQL server');
  const installed = postgresBinaries();
  if (installed === undefined) throw new Stop('PostgreSQL was installed, but no server was found under /usr/lib/postgresql.');
  return installed;
}

/** What the tests need, by one installation. */
export async function ensureTestPackages() {
  const missing = [
    ...(postgresBinaries() === undefined ? ['postgresql'] : []),
    ...(existsSync(browserProgram()) ? [] : ['chromium-headless-shell']),
  ];
  if (missing.length > 0) await install(missing, `what the tests need (${missing.join(', ')})`);
}

/** Debian starts a cluster of its own on installation; Hygromet keeps its data in its own. */
function keepDebianFromStartingACluster() {
  if (process.getuid?.() !== 0 || existsSync('/etc/postgresql-common/createcluster.conf')) return;
  mkdirSync('/etc/postgresql-common', { recursive: true });
  writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n');
}

/** @param {string[]} packages @param {string} what */
async function install(packages, what) {
  const byHand = `apt-get install --no-install-recommends ${packages.join(' ')}`;
  const sudo = await wayToRoot();
  if (sudo === undefined || !existsSync('/usr/bin/apt-get'))
    throw new Stop(`${what} is missing and may not be installed from here. Type: sudo ${byHand}`);
  if (packages.includes('postgresql')) keepDebianFromStartingACluster();
  say(`installing ${what} (Debian's packages)`);
  const apt = (/** @type {string[]} */ args) => {
    const [command = 'apt-get', ...rest] = [...sudo, 'apt-get', '-o', 'Dpkg::Options::=--force-confold', ...args];
    return run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  };
  const update = await apt(['update', '-qq']);
  const result = await apt(['install', '-y', '-qq', '--no-install-recommends', ...packages]);
  if (result.code !== 0)
    throw new Stop(`${what} could not be installed. Type: sudo ${byHand}\n${(update.output + result.output).slice(-1500)}`);
}

/** How a command becomes root's: as it is, by sudo without a password, or not at all. @returns {Promise<string[] | undefined>} */
async function wayToRoot() {
  if (process.getuid?.() === 0) return [];
  if (!existsSync('/usr/bin/sudo')) return undefined;
  return (await run('sudo', ['-n', 'true'])).code === 0 ? ['sudo', '-n', '--preserve-env=DEBIAN_FRONTEND'] : undefined;
}
