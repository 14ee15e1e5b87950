// @ts-check
import { chromium } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { at, root } from './lib/paths.mjs';
import { fail, say } from './lib/say.mjs';
import { browserProgram } from './lib/system-packages.mjs';

const PORT = 4393;
const BASE = `http://127.0.0.1:${PORT}`;

/**
 * One picture of each main view, from the demo data: `npm run screenshots`, or of those that are named: `npm run screenshots -- rack`.
 * @typedef {{ file: string, path: string, width?: number, height?: number, dark?: boolean, live?: boolean, before?: (page: import('@playwright/test').Page) => Promise<void> }} View
 * @type {View[]}
 */
const views = [
  { file: 'today', path: '/today', before: async (page) => page.getByText(/as well:/).first().waitFor() },
  { file: 'truck', path: '/truck', before: async (page) => page.getByText('Proved:').waitFor() },
  { file: 'rack', path: '/cylinders' },
  { file: 'round', path: '/cylinders/weigh-in', before: weighShort },
  { file: 'cylinder', path: '/cylinders/C-05' },
  { file: 'stop-weight', path: '/cylinders/C-07/fill', before: typeGross },
  { file: 'stop-weight-dark', path: '/cylinders/C-07/fill', dark: true, before: typeGross },
  { file: 'stop-weight-phone', path: '/cylinders/C-07/fill', width: 390, height: 844, before: typeGross },
  { file: 'visit', path: '/visits/Bell foundry/look', before: lookAround },
  { file: 'account', path: '/visits/Mushroom farm/account', before: recoverSome },
  { file: 'check', path: '/visits/Bell foundry/check', before: readRunning },
  { file: 'prove', path: '/visits/Bell foundry/prove', before: holdNitrogen },
  { file: 'system', path: '/systems/Cheese cave', before: async (page) => page.getByRole('button', { name: 'Receiver' }).click() },
  { file: 'method', path: '/visits/Bell foundry/method', before: verdict },
  { file: 'method-phone', path: '/visits/Bell foundry/method', width: 390, height: 844, before: verdict },
  { file: 'visit-fill', path: '/visits/Planetarium/transfer', live: true, before: followLive },
  { file: 'book', path: '/book' },
  { file: 'bench', path: '/bench', before: compareWithLabel },
  { file: 'settings', path: '/settings' },
]; // prettier-ignore

/** @param {import('@playwright/test').Page} page */
async function typeGross(page) {
  await page.getByLabel('Gross weight (scale reading)', { exact: true }).fill('24.6');
  await page.getByLabel('Source').selectOption({ label: 'Planetarium, rooftop unit (R-410A)' });
}

/** A reading that the ledger does not have. @param {import('@playwright/test').Page} page */
async function weighShort(page) {
  await page.getByRole('button', { name: /^C-03/ }).click();
  for (const digit of '47.9') await page.getByRole('button', { name: digit === '.' ? 'Decimal mark' : digit, exact: true }).click();
  await page.getByRole('button', { name: 'Weighed', exact: true }).click();
  await page.getByText('1 of').waitFor();
  await page.getByRole('button', { name: /^C-07/ }).click();
  for (const digit of '24.') await page.getByRole('button', { name: digit === '.' ? 'Decimal mark' : digit, exact: true }).click();
}

/** What was recovered, as somebody has weighed it: less than the record says. @param {import('@playwright/test').Page} page */
async function recoverSome(page) {
  const visit = await (await page.request.get(page.url().replace('/visits/', '/api/visits/').replace('/account', ''))).json();
  const said = { happenedAt: new Date().toISOString(), recordedBy: 'Tobin Wake' };
  const look = { ambient: { text: '77', unit: 'F' }, standing: { text: '120', unit: 'psig' }, failed: 'evaporator' };
  await page.request.post(`${BASE}/api/visits/${visit.id}/events`, { data: { kind: 'looked', key: randomUUID(), ...said, look } });
  const systems = await (await page.request.get(`${BASE}/api/systems`)).json();
  const cylinders = await (await page.request.get(`${BASE}/api/cylinders`)).json();
  const system = systems.find((/** @type {{ id: string }} */ { id }) => id === visit.system.id);
  const cylinder = cylinders.find((/** @type {{ name: string }} */ { name }) => name === 'C-11');
  const before = Number((cylinder.tareKg + cylinder.contentKg).toFixed(3));
  const weights = { grossBeforeKg: before, grossAfterKg: Number((before + 0.55 * system.contentKg).toFixed(3)) };
  await page.request.post(`${BASE}/api/transfers`, {
    data: { key: randomUUID(), from: system.id, cylinder: cylinder.id, ...weights, ...said, visit: visit.id },
  });
  await page.reload({ waitUntil: 'networkidle' });
  await page.getByText('What may explain it').waitFor();
}

/** A unit short of refrigerant, as its gauges and clamps read. @param {import('@playwright/test').Page} page */
async function readRunning(page) {
  await page.getByLabel('Metering device', { exact: true }).selectOption('txv');
  const readings = {
    'Head, at the liquid port': '318',
    Suction: '119',
    'Suction line': '54',
    'Liquid line': '96',
    'Supply air': '57',
    Outdoors: '84',
    'Return air': '76',
    'Return air, wet bulb': '64',
    'Running for, min': '18',
  };
  for (const [label, value] of Object.entries(readings)) await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByText('What explains it').first().waitFor();
}

/** @param {import('@playwright/test').Page} page */
async function lookAround(page) {
  await page.getByLabel('Failed part', { exact: true }).selectOption('evaporator');
  await page.getByLabel('Ambient', { exact: true }).fill('84');
  await page.getByLabel('Standing pressure', { exact: true }).fill('252');
  await page.getByText('liquid is present').waitFor();
}

/** @param {import('@playwright/test').Page} page */
async function verdict(page) {
  await page.getByRole('button', { name: /^Save: / }).waitFor();
}

/** A hold of nineteen minutes, as somebody has read it. @param {import('@playwright/test').Page} page */
async function holdNitrogen(page) {
  const url = page.url().replace('/visits/', '/api/visits/').replace('/prove', '/events');
  const psi = 6894.757;
  const [minutes, testId] = [19, randomUUID()];
  const start = Date.now() - minutes * 60_000;
  /** @param {object} event @param {number} minute */
  const add = (event, minute) =>
    page.request.post(url, {
      data: {
        ...event,
        testId,
        key: randomUUID(),
        recordedBy: 'Odalys Fenn',
        happenedAt: new Date(start + minute * 60_000).toISOString(),
      },
    });
  const setUp = {
    test: 'hold',
    volumeM3: 0.0035,
    setGaugePa: 400 * psi,
    stepPa: 0.1 * psi,
    spanPa: 800 * psi,
    clamp: true,
    filledAt: new Date(start - 600_000).toISOString(),
    oilM3: 0,
    refrigerantMayRemain: false,
    tightTo: 0.01,
    startHour: 10,
    atmospherePa: 101_325,
    mostGaugePa: 430 * psi,
    ruling: 'indoor coil',
  };
  await add({ kind: 'test-begun', setUp }, 0);
  for (let k = 0; k <= minutes; k++) {
    const [airK, pipeK] = [295.2 + 0.03 * k + 0.08 * Math.sin(2 * k), 295.6 + 0.025 * k];
    const gaugePa = Math.round(10 * (400 + 1.5 * (pipeK - 295.6) + 0.05 * Math.sin(7 * k) + 0.35 * Math.exp(-k / 4))) * 0.1 * psi;
    await add({ kind: 'test-read', reading: { gaugePa, airK, pipeK } }, k);
  }
  await page.reload({ waitUntil: 'networkidle' });
  await page.getByText('Pressure, with its temperature taken out').waitFor();
}

/** A transfer that runs beside its twin, by the simulated instruments. @param {import('@playwright/test').Page} page */
async function followLive(page) {
  const get = async (/** @type {string} */ path) => (await page.request.get(path)).json();
  const act = (/** @type {string} */ path, /** @type {object} */ data) =>
    page.request.post(`http://127.0.0.1:${PORT + 1}${path}`, { data });
  const visit = await get(page.url().replace('/visits/', '/api/visits/').replace('/transfer', ''));
  const cylinder = (await get(`${BASE}/api/cylinders`)).find((/** @type {{ name: string }} */ own) => own.name === 'C-07');
  await page.request.post(`${BASE}/api/visits/${visit.id}/events`, {
    data: {
      kind: 'looked',
      key: randomUUID(),
      happenedAt: new Date().toISOString(),
      recordedBy: 'Tobin Wake',
      look: { ambient: { text: '88', unit: 'F' }, standing: { text: '255', unit: 'psig' }, failed: 'condenser' },
    },
  });
  await act('/scene', { system: visit.system.id, cylinder: cylinder.id, method: 'vapour', ambientK: 304.3 });
  await act('/act', { act: 'speed', to: 10 });
  await page.goto(`${page.url()}?cylinder=${cylinder.id}`);
  await page.getByLabel('Gross weight (scale reading)', { exact: true }).fill('24.6');
  await page.getByRole('button', { name: 'Start the transfer' }).click();
  await page.getByLabel('How it flows').selectOption('vapour');
  await page.getByText('10 of their minutes').waitFor();
  await page.getByRole('button', { name: 'Follow with these instruments' }).click();
  await act('/act', { act: 'valve', to: 'open' });
  await page.getByText(/The machine (will|may) trip/).waitFor();
  await page.waitForTimeout(14_000);
}

/** A mixture under the wrong label, with what the gauge shows. @param {import('@playwright/test').Page} page */
async function compareWithLabel(page) {
  for (const [label, part, id] of [
    ['Refrigerant', '407C', 'R-407C'],
    ['Compare with what the label says', 'R-22', 'R-22'],
  ]) {
    const field = page.getByLabel(label ?? '', { exact: true });
    await field.press('ArrowDown');
    await field.pressSequentially(part ?? '');
    await page.locator(`nz-option-item[title="${id}"]`).click();
  }
  await page.getByLabel('Gauge reads', { exact: true }).fill('168');
  await page.getByLabel('Temperature of the liquid', { exact: true }).fill('82');
  await page
    .getByText(/psi above|own pressure/)
    .first()
    .waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
}

/** @param {string} folder @returns {Promise<import('node:child_process').ChildProcess>} */
function startApplication(folder) {
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', String(PORT), '--data', folder], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.stdout.on('data', (/** @type {Buffer} */ chunk) => chunk.toString().includes('is ready') && resolve(child));
    child.once('exit', () => reject(new Error('the application did not start')));
  });
}

/** @param {import('@playwright/test').Browser} browser @param {View} view @param {Record<string, string>} ids */
async function take(browser, { file, path: place, width = 1280, height = 800, dark = false, live = false, before }, ids) {
  const page = await browser.newPage({ viewport: { width, height }, colorScheme: dark ? 'dark' : 'light', reducedMotion: 'reduce' });
  await page.goto(BASE + place.replace(/C-\d+|Cheese cave|Bell foundry|Mushroom farm|Planetarium/, (name) => ids[name] ?? name), {
    waitUntil: 'networkidle',
  });
  await before?.(page);
  // readings come as long as the page is open
  if (!live) await page.waitForLoadState('networkidle');
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await page.waitForTimeout(400); // the drawer slides in
  await page.screenshot({ path: at('docs/screenshots', `${file}.png`) });
  await page.close();
  say(`${file}.png`);
}

async function main() {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-pictures-'));
  chmodSync(folder, 0o755);
  const application = await startApplication(folder);
  const browser = await chromium.launch({
    executablePath: browserProgram(),
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  const cylinders = /** @type {{ id: string, name: string }[]} */ (await (await fetch(`${BASE}/api/cylinders`)).json());
  const systems = /** @type {{ id: string, site: string }[]} */ (await (await fetch(`${BASE}/api/systems`)).json());
  const visits = /** @type {{ id: string, system: { site: string } }[]} */ (await (await fetch(`${BASE}/api/visits`)).json());
  const ids = Object.fromEntries([
    ...cylinders.map(({ id, name }) => [name, id]),
    ...systems.map(({ id, site }) => [site, id]),
    ...visits.map(({ id, system }) => [system.site, id]),
  ]);
  const wanted = process.argv.slice(2);
  for (const view of views) if (wanted.length === 0 || wanted.includes(view.file)) await take(browser, view, ids);
  await browser.close();
  application.kill('SIGINT');
  await new Promise((resolve) => application.once('exit', resolve));
  rmSync(folder, { recursive: true, force: true });
}

main().catch(fail);
