import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { expect, test } from './test';
import { words } from './words';

async function exported(page: Page, format: 'CSV' | 'JSON'): Promise<Buffer> {
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: `as ${format}` }).click();
  return readFile(await (await waiting).path());
}

const choose = (page: Page, what: string, name: string, buffer: Buffer) =>
  page.getByLabel(`File with ${what}`).setInputFiles({ name, mimeType: 'text/plain', buffer });

for (const format of ['CSV', 'JSON'] as const)
  test(`what is exported as ${format} changes nothing when it comes back`, async ({ page }) => {
    await page.goto('/systems');
    await expect(page.getByRole('link', { name: 'Planetarium' })).toBeVisible();
    const file = await exported(page, format);
    await page.getByRole('link', { name: 'Import', exact: true }).click();
    await choose(page, 'systems', `systems.${format.toLowerCase()}`, file);
    await expect(page.getByRole('status')).toHaveText(/^\s*\d+ there already\s*$/);
    await expect(page.getByRole('button', { name: 'Nothing to import' })).toBeDisabled();
  });

test('a file of somebody else is mapped, tried, and taken whole', async ({ page }) => {
  await page.goto('/systems/import');
  const table =
    'Customer,Unit,Type,Refrigerant,Charge (lb)\nNet loft,north wall,heat pump,R-410A,6.2\nNet loft,south wall,heat pump,R-410A,wet\n';
  await choose(page, 'systems', 'theirs.csv', Buffer.from(table));
  await expect(page.getByText(/Site, Name, Kind, Nameplate charge not found/)).toBeVisible();
  await page.getByLabel(words.site, { exact: true }).selectOption('Customer');
  await page.getByLabel(words.name, { exact: true }).selectOption('Unit');
  await page.getByLabel(words.kind, { exact: true }).selectOption('Type');
  await page.getByLabel(words.nameplateCharge, { exact: true }).selectOption('Charge (lb)');
  await page.getByLabel('Nameplate charge, unit').selectOption('lb');
  await expect(page.getByText('"wet" is not a number with its unit.')).toBeVisible();
  await choose(page, 'systems', 'theirs.csv', Buffer.from(table.replace('wet', '5.8')));
  for (const [column, heading] of [
    ['Site', 'Customer'],
    ['Name', 'Unit'],
    ['Kind', 'Type'],
    ['Nameplate charge', 'Charge (lb)'],
  ] as const)
    await page.getByLabel(column, { exact: true }).selectOption(heading);
  await page.getByLabel('Nameplate charge, unit').selectOption('lb');
  await page.getByRole('button', { name: 'Import 2 rows' }).click();
  await expect(page.getByRole('status')).toContainText('Imported: 2 new');
  await page.getByRole('link', { name: 'Back to systems', exact: true }).click();
  await expect(page.getByText('north wall')).toBeVisible();
});

test('the wrong file says so, and nothing is taken in', async ({ page }) => {
  await page.goto('/cylinders/import');
  await choose(page, 'cylinders', 'photo.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47]));
  await expect(page.getByRole('alert')).toContainText('This is no table');
});
