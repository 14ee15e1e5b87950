import { expect, test } from '@playwright/test';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { startApplication, stopApplication, untilReady } from './application';
import { words } from './words';

const PORT = 4395;

/** Of its own, and open to the user that PostgreSQL runs as. */
function newFolder(): string {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-firm-'));
  chmodSync(folder, 0o755);
  return folder;
}

test('a firm of its own begins: name, altitude, people, device, practice, first cylinder; left and taken up again', async ({ browser }) => {
  const folder = newFolder();
  const application = startApplication(['--empty', '--port', String(PORT), '--data', folder]);
  try {
    await untilReady(application);
    const page = await (await browser.newContext({ baseURL: `http://127.0.0.1:${PORT}`, serviceWorkers: 'block' })).newPage();
    await page.goto('/');
    await page.getByRole('link', { name: words.begin }).click();

    await page.getByRole('button', { name: words.saveAndGoOn }).click();
    await expect(page.getByText('The name of the firm is missing')).toBeVisible();
    await page.getByLabel('Name of the firm').fill('Gullwing Chill');
    await page.getByLabel('Altitude', { exact: true }).fill('5000');
    await page.getByLabel('People').fill('Vera Halm\nOtto Brink');
    await page.getByRole('button', { name: words.saveAndGoOn }).click();

    await expect(page.getByRole('heading', { name: words.thisDevice })).toBeVisible();
    await page.goto('/today');
    await page.goto('/first-steps'); // left and taken up again: where something is missing
    await expect(page.getByRole('heading', { name: words.thisDevice })).toBeVisible();
    await expect(page.locator('datalist option')).toHaveCount(2); // both are offered
    await page.getByLabel('Your name').fill('Otto Brink');
    await page.getByRole('button', { name: 'Go on' }).click();

    await expect(page.getByRole('region', { name: 'Company practice' })).toContainText('Not liquid-full at 131 °F');
    await page.getByRole('button', { name: 'Work with these' }).click();
    await page.getByRole('link', { name: 'Add one by hand' }).click();
    await page.getByLabel(words.number, { exact: true }).fill('K-1');
    await page.getByLabel(words.waterCapacity, { exact: true }).fill('26.2');
    await page.getByLabel(words.tare, { exact: true }).fill('17.2');
    await page.getByLabel(words.servicePressure, { exact: true }).fill('400');
    await page.getByLabel(words.lastRequalification).fill('11-24');
    await page.getByRole('button', { name: words.addTheCylinder }).click();
    await expect(page.getByRole('heading', { name: 'K-1' })).toBeVisible();

    await page.goto('/first-steps');
    await expect(page.getByRole('heading', { name: 'Systems' })).toBeVisible();
    await page.getByRole('button', { name: 'Later' }).click();
    await expect(page).toHaveURL(/today/);
    await expect(page.getByRole('link', { name: words.begin })).toHaveCount(0);

    const organisation = await (await page.request.get('/api/organisation')).json();
    expect(organisation).toMatchObject({ name: 'Gullwing Chill', people: ['Vera Halm', 'Otto Brink'], demo: false });
    expect(organisation.altitudeM).toBeCloseTo(1524, 0);
    expect(JSON.stringify(await (await page.request.get('/api/accounts')).json())).not.toMatch(/Planetarium|Mushroom/);
  } finally {
    await stopApplication(application);
    rmSync(folder, { recursive: true, force: true });
  }
});

test('a folder that holds the demo is not begun anew by mistake', async () => {
  const folder = newFolder();
  try {
    const first = startApplication(['--port', String(PORT + 1), '--data', folder]);
    await untilReady(first);
    await stopApplication(first);
    const second = startApplication(['--empty', '--port', String(PORT + 1), '--data', folder]);
    expect(await second.ended).toBe(1);
    expect(second.said()).toContain('This data folder holds the demo, and it stays as it is.');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
