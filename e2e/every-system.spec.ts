import type { Page } from '@playwright/test';
import { expect, test } from './test';
import { words } from './words';

/** Every label of the drawing lies within it, and the page is no wider than its window. */
async function fits(page: Page): Promise<void> {
  const overhang = await page.locator('hy-circuit-drawing svg').evaluate((drawing) => {
    const { left, right } = drawing.getBoundingClientRect();
    const labels = Array.from(drawing.querySelectorAll('text')).map((label) => label.getBoundingClientRect());
    return Math.max(0, ...labels.map((label) => Math.max(left - label.left, label.right - right)));
  });
  expect(overhang).toBeLessThanOrEqual(1);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
}

/** Of a unit that nobody has compared with its record nothing may be recovered. */
async function compare(page: Page): Promise<void> {
  const seen = page.getByRole('button', { name: words.yesISeeItSo });
  if ((await seen.count()) === 0) return;
  await seen.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Drawing compared with the unit/)).toBeVisible();
}

/** Calls `look` on the method page of every system of the demo, walking there as a person does. */
async function walk(page: Page, follow: (name: string) => Promise<void>, look: () => Promise<void>): Promise<void> {
  const all = (await (await page.request.get('/api/systems')).json()) as { id: string; site: string; name: string }[];
  expect(all.length).toBeGreaterThanOrEqual(12);
  await page.goto('/systems');
  for (const { id, site, name } of all)
    await test.step(`${site}, ${name}`, async () => {
      await follow(`a[href="/systems/${id}"]`);
      await follow(`a[href="/systems/${id}/method"]`);
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(`${site}, ${name}`);
      await page.getByLabel(words.ambient, { exact: true }).fill('80');
      const water = page.getByLabel(words.water, { exact: true });
      if ((await water.count()) > 0) await water.selectOption('flows');
      await expect(page.getByRole('radiogroup', { name: words.method })).toBeVisible();
      await compare(page);
      await look();
      await fits(page);
      await follow('nav a[href="/systems"]');
    });
}

test('look and method of every system, by keyboard at 1280x800', async ({ page }) => {
  test.setTimeout(180_000);
  const follow = async (link: string) => {
    await page.locator(link).first().focus();
    await page.keyboard.press('Enter');
  };
  await walk(page, follow, async () => {
    await page.getByLabel(words.ambient, { exact: true }).focus();
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type('84');
    await page.getByLabel(words.failedPart).focus();
    for (const key of ['ArrowDown', 'End', 'Enter']) await page.keyboard.press(key);
    await expect(page.getByLabel(words.failedPart)).not.toHaveValue('unknown');
    await expect(page.locator('hy-step-list li').first()).toBeVisible();
    const reading = page.getByLabel('Read at step 1', { exact: true });
    await reading.focus();
    await page.keyboard.type('66 psig at 84 °F');
    await page.keyboard.press('Tab');
    await expect(reading).toHaveValue('66 psig at 84 °F');
  });
});

test.describe('in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('look and method of every system, by touch at 390x844', async ({ page }) => {
    test.setTimeout(180_000);
    await walk(
      page,
      (link) => page.locator(link).first().tap(),
      async () => {
        const methods = page.getByRole('radiogroup', { name: words.method });
        await page.getByLabel(words.purpose).selectOption('change-refrigerant');
        const open = methods.getByRole('radio', { disabled: false }).last();
        // the plan follows the choice a moment later, and may take this method away
        await expect(async () => {
          await open.tap({ timeout: 1000 });
          await expect(open).toBeChecked({ timeout: 1000 });
        }).toPass();
        await expect(page.locator('hy-step-list li').first()).toBeVisible();
        // all at once: the plan may still offer one less while they are measured
        const heights = await methods.locator('label').evaluateAll((labels) => labels.map((label) => label.getBoundingClientRect().height));
        expect(heights).not.toHaveLength(0);
        expect(Math.min(...heights)).toBeGreaterThanOrEqual(44);
      },
    );
  });
});
