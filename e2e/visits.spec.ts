import type { Locator, Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { expect, test } from './test';
import { words } from './words';

async function moveTo(visit: Locator, day: string): Promise<void> {
  await visit.getByRole('button', { name: /to another day/ }).click();
  await visit.getByLabel('New day').fill(day);
  await visit.getByRole('button', { name: words.move, exact: true }).click();
}

/** What is seen on arriving, typed as a person does. */
async function look(page: Page, { failed, ambient, standing }: Partial<Record<'failed' | 'ambient' | 'standing', string>>): Promise<void> {
  if (failed !== undefined) await page.getByLabel(words.failedPart, { exact: true }).selectOption(failed);
  if (ambient !== undefined) await page.getByLabel(words.ambient, { exact: true }).fill(ambient);
  if (standing !== undefined) await page.getByLabel(words.standingPressure, { exact: true }).fill(standing);
}

test('a visit from the reason to the kept plan, and closed', async ({ page }) => {
  await page.goto('/today');
  await page.getByRole('button', { name: words.addAVisit }).click();
  await page.getByRole('button', { name: words.openTheVisit }).click();
  await expect(page.getByText('Choose the system that is visited.')).toBeVisible();
  await page.getByLabel('System', { exact: true }).selectOption({ label: "Lighthouse, keeper's flat" });
  await page.getByLabel(words.reason).fill('warm since the storm');
  await page.getByRole('button', { name: words.openTheVisit }).click();

  await expect(page.getByRole('heading', { level: 1 })).toContainText('Lighthouse');
  await expect(page.getByText(/warm since the storm/)).toBeVisible();
  await look(page, { failed: 'evaporator', ambient: '84', standing: '130' });
  await page.getByRole('link', { name: 'Next: Choose the method' }).click();
  await expect(page.getByText('The suction service valve leaks', { exact: false }).first()).toBeVisible();
  await page.getByRole('button', { name: /^Save: / }).click();
  await expect(page).toHaveURL(/\/transfer$/);

  await page.getByRole('link', { name: words.today }).click();
  const visit = page.getByRole('article').filter({ hasText: 'Lighthouse' });
  await expect(visit).toContainText('fill a cylinder');
  const today = await page.evaluate(() => new Date().toLocaleDateString('sv')); // "2026-11-27", as this device counts
  await moveTo(visit, '2099-01-02');
  await expect(
    page.getByRole('region', { name: 'Next days' }).getByRole('article').filter({ hasText: 'warm since the storm' }),
  ).toContainText('Jan 2');
  await moveTo(visit, today);
  await expect(page.getByRole('region', { name: words.today, exact: true }).getByText('warm since the storm')).toBeVisible();
  await visit.getByRole('link').click();
  await page.getByRole('link', { name: /^Close/ }).click();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await page.getByRole('link', { name: words.today }).click();
  await expect(visit).toContainText('Closed');
});

test('the visits of the demo wait for their look', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('article').filter({ hasText: 'Mushroom farm' })).toContainText('Inspect the system');
});

test('a visit from the look through the cylinder to its account', async ({ page }) => {
  await page.goto('/today');
  const visit = page.getByRole('article').filter({ hasText: 'Mushroom farm' });
  await visit.getByRole('link').click();
  await look(page, { failed: 'condenser', ambient: '80', standing: '148' });
  await page.getByRole('link', { name: 'Next: Choose the method' }).click();
  await page.getByLabel('Read at step 1', { exact: true }).fill('148 psig at 80 °F');
  await page.getByLabel('Read at step 1', { exact: true }).blur();
  await expect(page.getByText(/148 psig at 80 °F · Ines Marrow/)).toBeVisible();
  await page.getByRole('button', { name: /^Save: / }).click();
  await expect(page).toHaveURL(/\/transfer$/);
  // whichever is offered first: other tests fill and empty cylinders beside this one
  const fill = page.getByRole('link', { name: /^Fill / }).first();
  const name = (await fill.getAttribute('aria-label'))!.slice('Fill '.length);
  await fill.click();
  await expect(page.getByLabel(words.source)).not.toHaveValue('');
  const reads = async (label: string, pounds: number) => {
    await page.getByLabel(label, { exact: true }).fill(pounds.toFixed(1));
  };
  const all = (await (await page.request.get('/api/cylinders')).json()) as { name: string; tareKg: number; contentKg: number }[];
  const found = all.find((one) => one.name === name)!;
  const before = Math.round(((found.tareKg + found.contentKg) / 0.45359237) * 10) / 10;
  await reads('Gross weight (scale reading)', before);
  await page.getByRole('button', { name: words.startTheTransfer }).click();
  await reads('Ending gross weight', before + 2.5);
  await page.getByRole('button', { name: words.logTransfer }).click();
  const on = { name: /^(Next cylinder|Go on into .*), .* left$/ };
  await expect(page.getByRole('link', on).or(page.getByRole('button', on))).toBeVisible();
  // shut in it creeps above the level: that is told at the first reading, and stands in the account
  const watch = page.getByRole('region', { name: words.shutInAndWatch });
  await watch.getByRole('button', { name: 'It is shut in' }).click();
  await watch.getByLabel(words.pressureShutIn, { exact: true }).fill('12');
  await watch.getByRole('button', { name: words.addReading }).click();
  await expect(watch.getByText(/It stands at 12 psig, above the level of 0 psig: recover again/)).toBeVisible();
  await watch.getByRole('button', { name: 'End the watch' }).click();
  // recovered again, and shut in anew
  await watch.getByRole('button', { name: 'It is shut in again' }).click();
  await watch.getByLabel(words.pressureShutIn, { exact: true }).fill('-6');
  await watch.getByRole('button', { name: words.addReading }).click();
  await expect(watch.getByText(/Watched for 0\.0 of 10 minutes/)).toBeVisible();
  await page.getByRole('link', { name: words.continueToTheAccount }).click();
  await expect(page.getByText(/of the shut-in system: .* vacuum as it was watched/)).toBeVisible();
  await expect(page.getByText('Not accounted for', { exact: true })).toBeVisible();
  await expect(page.getByText('Cheapest check that decides:')).toBeVisible();
  await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText('−2.5');

  await page.getByLabel(words.whereIsTheRestAndWhy).fill('vapor in the oil, drawn by the machine');
  await page.getByRole('button', { name: words.theChargeIsBalanced }).click();
  await page.getByRole('link', { name: 'Next: Repair it' }).click();
  await page.getByLabel('What was repaired?').fill('flare made anew');
  await page.getByRole('button', { name: 'Repair done' }).click();
  await page.getByRole('link', { name: 'Next: Pressure test and vacuum' }).click();
  await page.getByLabel(words.testPressure, { exact: true }).fill('150');
  await expect(page.getByText('What this hold can see, % per hour')).toBeVisible();
  await page.getByRole('checkbox', { name: /read the pressure limits of every connected part/ }).check();
  await page.getByRole('button', { name: words.startTheHold }).click();
  await expect(page.getByRole('heading', { name: 'Take the first reading' })).toBeVisible();
  await page.getByLabel(words.pressure, { exact: true }).fill('149.8');
  await page.getByLabel('Air, in the shade', { exact: true }).fill('80');
  await page.getByLabel('Pipe, clamp', { exact: true }).fill('81');
  await page.getByRole('button', { name: words.addReading }).click();
  await expect(page.getByRole('heading', { name: '1 of 4 readings for a first verdict' })).toBeVisible();
  await page.getByRole('link', { name: /^Close/ }).click();
  await expect(page.getByRole('row', { name: /Repair.*done: flare made anew/ })).toBeVisible();
});

test('two people on one visit: what one has seen appears at the other', async ({ page, browser }) => {
  await page.goto('/today');
  await page.getByRole('article').filter({ hasText: 'Planetarium' }).getByRole('link').click();
  await expect(page).toHaveURL(/\/visits\//);
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await look(page, { standing: '131' });
  await expect(other.getByLabel(words.standingPressure, { exact: true })).toHaveValue('131');
  await other.getByLabel(words.failedPart, { exact: true }).selectOption('compressor');
  await expect(page.getByLabel(words.failedPart, { exact: true })).toHaveValue('compressor');
  await expect(page.getByLabel(words.standingPressure, { exact: true })).toHaveValue('131');
  await other.context().close();
});

test('a running unit is checked: what it should read today, what explains it, and a reading that can hardly be', async ({ page }) => {
  const systems = (await (await page.request.get('/api/systems')).json()) as { id: string; site: string }[];
  const system = systems.find(({ site }) => site === 'Lighthouse')!;
  const day = new Date().toISOString().slice(0, 10);
  const opened = await page.request.post('/api/visits', {
    data: { key: randomUUID(), system: system.id, day, reason: 'charged', recordedBy: 'Ines Marrow' },
  });
  const { id } = (await opened.json()) as { id: string };
  await page.goto(`/visits/${id}/check`);
  await page.getByLabel(words.meteringDevice, { exact: true }).selectOption({ label: 'fixed orifice' });
  const typed = {
    'Head, at the liquid port': '168',
    Suction: '61',
    'Suction line': '53',
    'Liquid line': '81',
    'Supply air': '56',
    Outdoors: '68',
    'Return air': '74',
    'Return air, wet bulb': '62',
    'Running for, min': '18',
  };
  for (const [label, value] of Object.entries(typed)) await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByLabel('Rain or dew on the condenser').check();
  await expect(page.getByText(words.leaveTheCharge)).toBeVisible();
  await expect(page.getByText('rain on the coil is counted in')).toBeVisible();
  await expect(page.getByRole('row', { name: /Charge right, unit well/ })).toBeVisible();
  await page.getByLabel(words.suction, { exact: true }).fill('400');
  await expect(page.getByText(/The suction is above the head/)).toBeVisible();
  await expect(page.getByText(words.leaveTheCharge)).toHaveCount(0);
  await page.getByLabel(words.suction, { exact: true }).fill('61');
  await page.getByRole('button', { name: 'Log: charged by weight, runs well' }).click();
  await expect(page.getByText(/charged by weight and runs well$/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Charge label as PDF' }).click();
  expect((await download).suggestedFilename()).toMatch(/^charge-label-.*\.pdf$/);
});
