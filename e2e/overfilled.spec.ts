import { expect, test } from './test';
import { words } from './words';

test('too much is taken out of the overfilled cylinder, by its own plan, and the flag is gone', async ({ page }) => {
  await page.goto('/cylinders');
  await page.getByRole('link', { name: /^C-05/ }).click();
  await expect(page.getByText('Overfilled by 1.4 lb.')).toBeVisible();
  await page.getByRole('link', { name: /^Fill [A-Z]-/ }).click();
  await expect(page.getByText('from C-05, R-407C')).toBeVisible();

  // the other cylinder is empty: its tare stands on the scale
  const heading = await page.getByRole('heading', { level: 1 }).textContent();
  const name = heading?.replace('Fill ', '').trim() ?? '';
  const others = (await (await page.request.get('/api/cylinders')).json()) as { name: string; tareKg: number; contentKg: number }[];
  const into = others.find((other) => other.name === name);
  expect(into?.contentKg).toBe(0);
  const kg = (more: number) => ((into?.tareKg ?? 0) + more).toFixed(2);
  await page.getByLabel('Unit of Gross weight (scale reading)').selectOption('kg');
  await page.getByLabel(words.grossWeightScaleReading, { exact: true }).fill(kg(0));
  await page.getByRole('button', { name: words.startTheTransfer }).click();
  await page.getByLabel(words.endingGrossWeight, { exact: true }).fill(kg(12));
  await expect(page.getByText(/The ledger shows only 11\.39 kg in C-05/)).toBeVisible();
  await page.getByLabel(words.endingGrossWeight, { exact: true }).fill(kg(0.7));
  await page.getByRole('button', { name: words.logTransfer }).click();
  await expect(page.getByText('Booked.')).toBeVisible();

  await page.goto('/cylinders');
  await page.getByRole('link', { name: /^C-05/ }).click();
  await expect(page.getByText('expected gross weight 40.9 lb')).toBeVisible();
  await expect(page.getByText(/Overfilled/)).toHaveCount(0);
});
