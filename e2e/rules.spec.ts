import { cylinderId } from './pages';
import { expect, test } from './test';
import { words } from './words';

test('a rule that the organisation requires rules from then on', async ({ page }) => {
  await page.goto('/settings');
  const hottest = page.getByRole('checkbox', { name: /80 % at the hottest location/ });
  await hottest.check();
  await page.getByRole('button', { name: words.saveForEverybody }).click();
  await expect(page.getByText(words.saved)).toBeVisible();
  await page.goto(`/cylinders/${await cylinderId(page, 'C-01')}`);
  await expect(
    page
      .getByRole('table', { name: /Fill limits/ })
      .getByRole('row')
      .nth(1),
  ).toContainText('80 % at the hottest location');
  await page.goto('/settings');
  await hottest.uncheck();
  await page.getByRole('button', { name: words.saveForEverybody }).click();
  await expect(page.getByText(words.saved)).toBeVisible();
});
