import { readFile } from 'node:fs/promises';
import { expect, test } from './test';
import { words } from './words';

test('a label is printed, its code scanned from a picture, and the cylinder opened', async ({ page }) => {
  await page.goto('/cylinders');
  await page.getByRole('link', { name: /C-12/ }).first().click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('C-12');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Label as PDF, 4 × 6 in' }).click();
  const pdf = await readFile(await (await waiting).path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');

  const picture = await page.getByRole('img', { name: 'Code of C-12' }).screenshot();
  await page.goto('/scan');
  await page.getByLabel(words.pictureOfALabel).setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('C-12');
});

test('a picture without a code says what to do, and the number does it too', async ({ page }) => {
  await page.goto('/scan');
  const blank = await page.locator('body').screenshot();
  await page.getByLabel(words.pictureOfALabel).setInputFiles({ name: 'blank.png', mimeType: 'image/png', buffer: blank });
  await expect(page.getByRole('alert')).toContainText('No code is found in this picture');
  await page.getByLabel(words.number, { exact: true }).fill('c-04');
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('C-04');
});
