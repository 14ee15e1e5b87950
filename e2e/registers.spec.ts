import { chooseRefrigerant, cylinderId } from './pages';
import { expect, test } from './test';
import { words } from './words';

test('a cylinder is added as its collar tells it, in liters and lb + oz, and found again', async ({ page }) => {
  await page.goto('/cylinders/new');
  await page.getByRole('button', { name: words.addTheCylinder }).click();
  await expect(page.getByText('The water capacity is missing.')).toBeVisible();
  await page.getByLabel(words.number).fill('C-21');
  await page.getByLabel('Unit of Water capacity').selectOption('L');
  await page.getByLabel(words.waterCapacity, { exact: true }).fill('12.5');
  await page.getByLabel('Unit of Tare').selectOption('lb-oz');
  await page.getByLabel(words.tare, { exact: true }).fill('17');
  await page.getByLabel('Tare, ounces').fill('6');
  await page.getByLabel(words.servicePressure, { exact: true }).fill('400');
  await page.getByLabel(words.lastRequalification).fill('02-25');
  await page.reload();
  await expect(page.getByLabel(words.number)).toHaveValue('C-21');
  await chooseRefrigerant(page, '454b', 'R-454B');
  await page.getByLabel(words.grossWeightScaleReading, { exact: true }).fill('20.5');
  await page.getByRole('button', { name: words.addTheCylinder }).click();
  await expect(page.getByRole('heading', { name: 'C-21' })).toBeVisible();
  await expect(page.getByText('expected gross weight 20.5 lb')).toBeVisible();

  await page.goto('/cylinders');
  await page.getByLabel(words.findACylinder).fill('r454');
  await expect(page.getByRole('link', { name: /C-21/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /C-07/ })).toHaveCount(0);
});

test('the rack as a table is sorted by a tap and exported', async ({ page }) => {
  await page.goto('/cylinders');
  await expect(page.getByRole('button', { name: /^All \d\d/ })).toBeVisible(); // the counts have come, nothing moves any more
  await page.getByRole('button', { name: 'Show a table' }).click();
  await page.getByRole('columnheader', { name: words.net }).click();
  await page.getByRole('columnheader', { name: words.net }).click();
  await expect(page.getByRole('row', { name: /^C-/ }).first()).toContainText('C-09');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export these cylinders as CSV' }).click();
  expect((await download).suggestedFilename()).toBe('cylinders.csv');
});

test('a system is added with its plate, and its charge stands in the book', async ({ page }) => {
  await page.goto('/systems/new');
  await page.getByLabel(words.site).fill('Net loft');
  await page.getByLabel(words.name, { exact: true }).fill('bait freezer');
  await chooseRefrigerant(page, '449', 'R-449A');
  await page.getByLabel('Unit of Nameplate charge').selectOption('lb-oz');
  await page.getByLabel(words.nameplateCharge, { exact: true }).fill('5');
  await page.getByLabel('Nameplate charge, ounces').fill('5');
  await page.getByRole('button', { name: words.addTheSystem }).click();
  // what it is like is compared with the unit next
  await expect(page.getByText(words.isItBuiltLikeThis)).toBeVisible();
  await page.goto('/systems');
  await expect(page.getByRole('row', { name: /bait freezer/ })).toContainText('5 lb 5 oz');
  await page.goto('/book');
  await expect(page.getByRole('row', { name: /Net loft, bait freezer/ })).toContainText('5.3 lb');
});

test('units, decimal mark and theme are this device’s and outlive a reload', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel('Weight unit').selectOption('kg');
  await page.getByLabel(words.temperature, { exact: true }).selectOption('C');
  await page.getByLabel(words.pressure, { exact: true }).selectOption('barg');
  await page.getByLabel('Decimal mark').selectOption(',');
  await page.getByLabel('Light or dark').selectOption('dark');
  await page.goto(`/cylinders/${await cylinderId(page, 'C-09')}`);
  await expect(page.getByText('38,3', { exact: false }).first()).toBeVisible();
  await expect(
    page
      .getByText(/bar gauge/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});
