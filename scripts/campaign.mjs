// @ts-check
import { killCampaign } from './campaign/kills.mjs';
import { requestCampaign } from './campaign/requests.mjs';
import { buildServer, buildWeb } from './lib/build.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { fail, Stop } from './lib/say.mjs';
import { ensurePostgres } from './lib/system-packages.mjs';

const PORT = 4310;
const KILLS = 200;
const REQUESTS = 50_000;
const LONGEST_OUTAGE_MS = 5000;
const MOST_MEMORY_MB = 400;

/**
 * The long attacks: npm run campaign [-- kills N | requests N SEED]. Ends with a table for `docs/reliability.md`, and with 1 where something
 * did not hold.
 */
async function main() {
  await ensurePostgres();
  await ensureDependencies();
  await buildServer();
  await buildWeb();
  const [what, count, seed] = process.argv.slice(2);
  const tell = (/** @type {string} */ line) => void process.stdout.write(`  ${line}\n`);
  /** @type {string[]} */
  const broken = [];
  if (what === undefined || what === 'kills') broken.push(...(await kills(Number(count ?? KILLS), tell)));
  if (what === undefined || what === 'requests')
    broken.push(...(await requests(Number(count ?? REQUESTS), Number(seed ?? Date.now() % 1e6), tell)));
  if (broken.length > 0) throw new Stop(`Did not hold:\n${broken.join('\n')}`);
}

/** @param {number} count @param {(line: string) => void} tell */
async function kills(count, tell) {
  const { outages, acknowledged, missing, twice, wrongBalances, refused, extra } = await killCampaign({ kills: count, port: PORT, tell });
  const kinds = [...new Set(outages.map(({ what }) => what))];
  process.stdout.write(`\n| killed while 8 people book | times | median outage | longest |\n| --- | --- | --- | --- |\n`);
  for (const kind of kinds) {
    const times = outages.filter(({ what }) => what === kind).map(({ ms }) => ms).sort((a, b) => a - b); // prettier-ignore
    const [median = 0, longest = 0] = [times[Math.floor(times.length / 2)], times.at(-1)];
    process.stdout.write(`| ${kind} | ${times.length} | ${(median / 1000).toFixed(1)} s | ${(longest / 1000).toFixed(1)} s |\n`);
  }
  const told = `${acknowledged} acknowledged bookings: ${missing} missing, ${twice} twice, ${extra} more than acknowledged, ${wrongBalances} balances off`;
  process.stdout.write(`\n${told}; ${refused.length} refused.\n`);
  const late = outages.filter(({ ms }) => ms > LONGEST_OUTAGE_MS).map(({ what, ms }) => `${what}: ${Math.round(ms)} ms without a booking`);
  return [...late, ...(missing + twice + wrongBalances > 0 ? [told] : []), ...refused.slice(0, 5)];
}

/** @param {number} count @param {number} seed @param {(line: string) => void} tell */
async function requests(count, seed, tell) {
  const { statuses, faults, refusedWithoutSentence, memory } = await requestCampaign({ requests: count, port: PORT, seed, tell });
  process.stdout.write(`\n${count} requests (seed ${seed}): ${JSON.stringify(statuses)}; at most ${Math.round(memory)} MB.\n`);
  return [
    ...faults.slice(0, 20),
    ...(refusedWithoutSentence > 0 ? [`${refusedWithoutSentence} refusals without a sentence`] : []),
    ...(memory > MOST_MEMORY_MB ? [`${Math.round(memory)} MB of memory`] : []),
  ];
}

main().catch(fail);
