import { expect, test } from '@playwright/test';

test('a visit from the reason to the kept plan, and closed', async ({ page }) => {
  await page.goto('/today');
  await page.getByRole('button', { name: 'Open the visit' }).click();
  await expect(page.getByText('Choose the system that is visited.')).toBeVisible();
  await page.getByLabel('System', { exact: true }).selectOption({ label: "Lighthouse, keeper's flat" });
  await page.getByLabel('Reason').fill('warm since the storm');
  await page.getByRole('button', { name: 'Open the visit' }).click();

  await expect(page.getByRole('heading', { level: 1 })).toContainText('Lighthouse');
  await expect(page.getByText(/warm since the storm/)).toBeVisible();
  await page.getByLabel('Failed part').selectOption('evaporator');
  await expect(page.getByText('The suction service valve leaks', { exact: false }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Keep this plan for the visit' }).click();
  await expect(page.getByText(/· kept/)).toBeVisible();

  await page.getByRole('link', { name: 'Today' }).click();
  const visit = page.getByRole('article').filter({ hasText: 'Lighthouse' });
  await expect(visit).toContainText('choose the cylinder and fill it');
  await visit.getByRole('button', { name: /Close the visit/ }).click();
  await expect(visit).toContainText('closed');
});

test('the visits of the demo wait for their look', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('article').filter({ hasText: 'Mushroom farm' })).toContainText('Look, and choose the method');
});
