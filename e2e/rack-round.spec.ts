import type { Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { cylinderId } from './pages';
import { expect, test } from './test';
import { words } from './words';

/** Cylinders of this test's own, in no other test's way: 17.2 lb of tare, 10 lb of R-134a. */
async function ownCylinders(page: Page, names: readonly string[]): Promise<void> {
  for (const name of names) {
    const data = {
      key: randomUUID(),
      name,
      volumeM3: 0.0119,
      tareKg: 7.801789,
      servicePressurePa: 2.76e6,
      requalified: '2025-02',
      place: 'site',
      refrigerant: 'R-134a',
      grossKg: 12.337713,
    };
    expect((await page.request.post('/api/cylinders', { data })).status()).toBe(201);
  }
}

async function weigh(page: Page, digits: string): Promise<void> {
  for (const digit of digits) await page.getByRole('button', { name: digit === '.' ? 'Decimal mark' : digit, exact: true }).click();
  await page.getByRole('button', { name: 'Weighed', exact: true }).click();
}

test('a round with the scale: one agrees, one is misread, one is short and booked', async ({ page }) => {
  await ownCylinders(page, ['W-01', 'W-02', 'W-03']);
  await page.goto('/cylinders');
  await page.getByRole('link', { name: 'Cylinder weigh-in' }).click();
  await page.getByLabel('Location').selectOption({ label: 'On site' });
  await page.getByRole('button', { name: /^W-01/ }).click();
  await weigh(page, '27.2');
  await expect(page.getByRole('button', { name: /W-01.*✓ agrees/ })).toBeVisible();

  await page.getByRole('button', { name: /^W-02/ }).click();
  await weigh(page, '10');
  await expect(page.getByText('That is what should be in it without the cylinder.')).toBeVisible();
  await page.getByRole('button', { name: 'Weigh it again' }).click();
  await weigh(page, '27.2');
  await expect(page.getByRole('button', { name: /W-02.*✓ agrees/ })).toBeVisible();

  await page.getByRole('button', { name: /^W-03/ }).click();
  await weigh(page, '25.2');
  await expect(page.getByText('2.0 lb less than the ledger')).toBeVisible();
  await page.reload(); // what was read is still there
  await page.getByRole('button', { name: 'Log 2.0 lb as unaccounted' }).click();
  await expect(page.getByText('2 agree, 1 logged as unaccounted, −2.0 lb in all').first()).toBeVisible();

  await page.goto(`/cylinders/${await cylinderId(page, 'W-03')}`);
  await expect(page.getByText(/weighed in: 25\.2 lb gross, 2\.0 lb less than the ledger, logged as unaccounted/)).toBeVisible();
  await expect(page.getByText('expected gross weight 25.2 lb')).toBeVisible();
});

test('several cylinders: chosen, put on a shipment with its sums, and noted at the reclaimer', async ({ page }) => {
  await ownCylinders(page, ['S-01', 'S-02']);
  await page.goto('/cylinders');
  await page.getByLabel(words.findACylinder).fill('S-0');
  await page.getByRole('button', { name: 'Select multiple' }).click();
  await page.getByRole('checkbox', { name: /S-01/ }).click();
  await page.getByRole('checkbox', { name: /S-02/ }).press('Space');
  await expect(page.getByText('2 chosen')).toBeVisible();
  await page.getByLabel('Move to').selectOption({ label: 'Workshop' });
  await page.getByRole('button', { name: words.move, exact: true }).click();
  await expect(page.getByText('2 moved: workshop.')).toBeVisible();

  await page.getByRole('button', { name: 'Shipment sheet' }).click();
  await expect(page.getByText('2 cylinders · 20.0 lb net · 54.4 lb gross')).toBeVisible();
  await page.getByLabel('To', { exact: true }).fill('Reclaimer, Salt Road 4');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Sheet as PDF' }).click();
  expect((await readFile(await (await waiting).path())).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('button', { name: /Mark as shipped/ }).click();
  await expect(page.getByText('2 cylinders are at the reclaimer now.')).toBeVisible();
  await page.goto(`/cylinders/${await cylinderId(page, 'S-02')}`);
  await expect(page.getByText('moved: at the reclaimer')).toBeVisible();

  // the receipt comes as a file; one cylinder differs, and its reason is asked for
  await page.goto('/cylinders/shipment');
  await page.getByRole('link', { name: /Reclaimer, Salt Road 4/ }).click();
  const rows = 'cylinder,net_lb,purity_percent,moisture_ppm,credit\nS-01,10.0,99.6,25,14\nS-02,9.0,99.1,40,12.50\n';
  await page.getByLabel('Receipt as a file').setInputFiles({ name: 'receipt.csv', mimeType: 'text/csv', buffer: Buffer.from(rows) });
  await expect(page.getByText('1.00 lb less than was sent')).toBeVisible();
  await page.getByLabel('The difference').selectOption({ label: 'explained' });
  await page.getByRole('button', { name: words.logReceipt }).click();
  await expect(page.getByText('Give the reason: it stands with the entry.')).toBeVisible();
  await page.getByLabel(words.reason).fill('oil drawn off');
  await page.getByLabel('Certificate number').fill('BW-1187');
  await page.getByRole('button', { name: words.logReceipt }).click();
  await expect(page.getByText('Certificate BW-1187')).toBeVisible();
  await expect(page.getByText('USD 26.50')).toBeVisible();
  await page.goto(`/cylinders/${await cylinderId(page, 'S-02')}`);
  await expect(page.getByText(/moved: workshop/).first()).toBeVisible();
});
