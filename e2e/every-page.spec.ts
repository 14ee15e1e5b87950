import type { Page } from '@playwright/test';
import { apiRequests, readIn } from './api-requests';
import { cylinderId, entryId, expectAccessible, expectContrast, systemId, visitId } from './pages';
import { expect, test } from './test';
import { words } from './words';

/** The color that the page is painted on. */
const paperOf = (page: Page) => page.evaluate(() => getComputedStyle(document.body).backgroundColor);

for (const path of [
  '/today',
  '/cylinders',
  '/cylinders/new',
  '/cylinders/import',
  '/cylinders/C-05',
  '/cylinders/C-05/fill',
  '/systems',
  '/systems/new',
  '/systems/import',
  '/truck',
  '/scan',
  '/cylinders/weigh-in',
  '/cylinders/shipment',
  '/systems/SYSTEM',
  '/systems/SYSTEM/method',
  '/visits/VISIT/look',
  '/visits/VISIT/method',
  '/visits/VISIT/transfer',
  '/visits/VISIT/account',
  '/visits/VISIT/repair',
  '/visits/VISIT/prove',
  '/visits/VISIT/recharge',
  '/visits/VISIT/check',
  '/visits/VISIT/close',
  '/book',
  '/book/ENTRY',
  '/bench',
  '/settings',
  '/first-steps',
  '/no-such-page',
]) {
  test(`${path} asks each thing once, with at most four requests, and is accessible, light and dark`, async ({ page }) => {
    const address = path
      .replace('C-05', await cylinderId(page, 'C-05'))
      .replace('SYSTEM', await systemId(page, 'Print works'))
      .replace('ENTRY', await entryId(page))
      .replace('VISIT', await visitId(page, 'Seed bank'));
    const requests = await apiRequests(page);
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
    await page.goto(address, { waitUntil: 'networkidle' });
    const read = requests.flatMap(readIn);
    expect(read).toEqual([...new Set(read)]);
    expect(requests.length, requests.join('\n')).toBeLessThanOrEqual(4);
    await expectAccessible(page);
    const light = await paperOf(page);
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
    await expect.poll(() => paperOf(page)).not.toBe(light);
    await expectContrast(page);
  });
}

test('at 360 px nothing runs out of the page', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  const id = await cylinderId(page, 'C-10');
  const system = await systemId(page, 'Print works');
  const visit = await visitId(page, 'Seed bank');
  for (const path of [
    '/today',
    '/cylinders',
    '/cylinders/new',
    `/cylinders/${id}`,
    `/cylinders/${id}/fill`,
    '/systems/import',
    '/truck',
    '/scan',
    '/cylinders/weigh-in',
    '/cylinders/shipment',
    `/systems/${system}`,
    `/systems/${system}/method`,
    ...['look', 'method', 'transfer', 'account', 'close'].map((stage) => `/visits/${visit}/${stage}`),
    '/book',
    '/bench',
    '/settings',
  ]) {
    await page.goto(path, { waitUntil: 'networkidle' });
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBe(360);
  }
});

test('at 360 px the form of a visit fits as well', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  await page.goto('/today');
  await page.getByRole('button', { name: words.addAVisit }).click();
  await expect(page.getByLabel('Technician')).toBeInViewport({ ratio: 1 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(360);
});

test('the first load stays under 300 kB as it crosses the wire', async ({ page }) => {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  let received = 0;
  session.on('Network.loadingFinished', ({ encodedDataLength }) => (received += encodedDataLength));
  await page.goto('/', { waitUntil: 'networkidle' });
  expect(received).toBeGreaterThan(10_000);
  expect(received).toBeLessThan(300_000);
});

test('every file of the program is kept by the browser for good', async ({ page }) => {
  const kept = new Map<string, string | undefined>();
  page.on('response', (response) => {
    const { pathname } = new URL(response.url());
    if (/\/(?:main|chunk|polyfills|styles)-/.test(pathname)) kept.set(pathname, response.headers()['cache-control']);
  });
  await page.goto('/today', { waitUntil: 'networkidle' });
  expect(kept.size).toBeGreaterThan(10);
  expect([...kept].filter(([, how]) => how?.includes('immutable') !== true)).toEqual([]);
});
