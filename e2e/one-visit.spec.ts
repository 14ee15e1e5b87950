import type { Locator, Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { expectAccessible } from './pages';
import { expect, test } from './test';
import { words } from './words';

/** How a person works the page: the journey is the same. */
interface Hands {
  readonly press: (what: Locator) => Promise<void>;
  readonly type: (into: Locator, text: string) => Promise<void>;
  readonly choose: (from: Locator, value: string) => Promise<void>;
}

/** A visit of its own to a small unit of its own, that somebody has seen. */
async function visitOf(page: Page, site: string): Promise<string> {
  const known = { 'condenser-cooling': { how: 'seen', by: 'Ines Marrow', at: '2026-11-01T09:00:00Z' } };
  const registered = await page.request.post('/api/systems', {
    data: {
      key: randomUUID(),
      site,
      name: 'packaged unit',
      kind: 'packaged',
      refrigerant: 'R-410A',
      nameplateKg: 2,
      facts: { condenserCooling: 'air', known },
    },
  });
  const { id: system } = (await registered.json()) as { id: string };
  const day = new Date().toLocaleDateString('sv');
  const opened = await page.request.post('/api/visits', {
    data: { key: randomUUID(), system, day, reason: 'no cooling', recordedBy: 'Ines Marrow' },
  });
  return ((await opened.json()) as { id: string }).id;
}

/** From the look to the account, with what a scale would show. */
async function lookToAccount(page: Page, visit: string, { press, type, choose }: Hands): Promise<void> {
  await page.goto(`/visits/${visit}/look`);
  await choose(page.getByLabel(words.failedPart, { exact: true }), 'condenser');
  await type(page.getByLabel(words.ambient, { exact: true }), '84');
  await type(page.getByLabel(words.standingPressure, { exact: true }), '240');
  await press(page.getByRole('link', { name: 'Next: Choose the method' }));
  await expectAccessible(page);
  await press(page.getByRole('button', { name: /^Save: / }));
  await expect(page).toHaveURL(/\/transfer$/);

  const fill = page.getByRole('link', { name: /^Fill / }).first();
  const name = (await fill.getAttribute('aria-label'))!.slice('Fill '.length);
  await press(fill);
  await expect(page.getByLabel(words.source)).not.toHaveValue('');
  const all = (await (await page.request.get('/api/cylinders')).json()) as { name: string; tareKg: number; contentKg: number }[];
  const { tareKg, contentKg } = all.find((one) => one.name === name)!;
  const before = Math.round(((tareKg + contentKg) / 0.45359237) * 10) / 10;
  await type(page.getByLabel(words.grossWeightScaleReading, { exact: true }), before.toFixed(1));
  await press(page.getByRole('button', { name: words.startTheTransfer }));
  await type(page.getByLabel(words.endingGrossWeight, { exact: true }), (before + 1.5).toFixed(1));
  await press(page.getByRole('button', { name: words.logTransfer }));
  await press(page.getByRole('link', { name: words.continueToTheAccount }));
  await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText('−1.5');
  await type(page.getByLabel(words.whereIsTheRestAndWhy), 'it had leaked before');
  await press(page.getByRole('button', { name: words.theChargeIsBalanced }));
  await expect(page.getByRole('link', { name: 'Next: Repair it' })).toBeVisible();
}

test('a visit from the look to the account by keyboard alone', async ({ page }) => {
  /** Tab after Tab, as somebody without a mouse: nobody is taken by the hand to where it is. */
  const reach = async (what: Locator) => {
    await expect(what).toBeVisible();
    for (let tabs = 0; tabs < 200; tabs++) {
      if (await what.evaluate((element) => element === document.activeElement)) return;
      await page.keyboard.press('Tab');
    }
    throw new Error(`${what.toString()} is not reached by the Tab key`);
  };
  await lookToAccount(page, await visitOf(page, 'Oar loft'), {
    press: async (what) => {
      await expect(what).toBeEnabled();
      await reach(what);
      await page.keyboard.press('Enter');
    },
    type: async (into, text) => {
      await reach(into);
      await page.keyboard.press('ControlOrMeta+a');
      await page.keyboard.type(text);
    },
    choose: async (from, value) => {
      await reach(from);
      await page.keyboard.press('ArrowDown'); // opens the list, at the option that holds
      const at = page.locator('option:focus');
      for (let downs = 0; downs < 20 && (await at.getAttribute('value')) !== value; downs++) await page.keyboard.press('ArrowDown');
      await page.keyboard.press('Enter');
      await expect(from).toHaveValue(value);
    },
  });
});

test.describe('in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('a visit from the look to the account by touch at 390x844', async ({ page }) => {
    await lookToAccount(page, await visitOf(page, 'Bait store'), {
      press: (what) => what.tap(),
      type: (into, text) => into.fill(text),
      choose: async (from, value) => {
        await from.selectOption(value);
      },
    });
  });
});

test('what is seen while the server is away is kept, and stands in the visit when it is back', async ({ page, context, browser }) => {
  const visit = await visitOf(page, 'Chart room');
  const core = page.waitForResponse(/\/worker-[^/]*\.js$/);
  await page.goto(`/visits/${visit}/look`);
  await page.getByLabel(words.ambient, { exact: true }).fill('81');
  await (await core).finished();
  await context.setOffline(true);
  await page.getByLabel(words.standingPressure, { exact: true }).fill('236');
  await page.getByLabel(words.failedPart, { exact: true }).selectOption('condenser');
  // the core lies on the device: what was seen has its verdict all the same
  await expect(page.locator('hy-look-stage .asFound')).toBeVisible();
  await context.setOffline(false);
  const other = await (await browser.newContext()).newPage();
  await expect(async () => {
    await other.goto(page.url());
    await expect(other.getByLabel(words.standingPressure, { exact: true })).toHaveValue('236', { timeout: 3000 });
    await expect(other.getByLabel(words.failedPart, { exact: true })).toHaveValue('condenser', { timeout: 3000 });
  }).toPass();
  await other.context().close();
});
