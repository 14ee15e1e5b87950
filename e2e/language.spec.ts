import { expect, test } from './test';
import { words } from './words';

test('another English is a choice of the device: its spelling, its order of day and month, and back', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel(words.language).selectOption({ label: 'English (UK)' });
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-GB');
  await expect(page.getByLabel(words.language)).toHaveValue('en-GB');
  await page.goto('/bench');
  await expect(page.getByText('Vapour density')).toBeVisible();
  await page.goto('/book');
  await expect(
    page
      .getByRole('table')
      .getByText(/^\d{1,2} [A-Z][a-z]{2} \d{4}, \d\d:\d\d$/)
      .first(),
  ).toBeVisible();

  await page.goto('/settings');
  await page.getByLabel(words.language).selectOption({ label: 'English (US)' });
  await expect(page.locator('html')).toHaveAttribute('lang', 'en');
  await page.goto('/bench');
  await expect(page.getByText('Vapor density')).toBeVisible();
});
