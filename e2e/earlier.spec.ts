import type { Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { expect, test } from './test';
import { words } from './words';

async function register(page: Page, name: string, more: object = {}): Promise<string> {
  const collar = { volumeM3: 0.0119, tareKg: 7.8, servicePressurePa: 2.758e6, requalified: '2025-03', place: 'van' };
  const answer = await page.request.post('/api/cylinders', { data: { key: randomUUID(), name, ...collar, ...more } });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}

test('what was done earlier is booked with its time and a note, found in the book, and leads from one cylinder to the other', async ({
  page,
}) => {
  await register(page, 'E-01', { refrigerant: 'R-410A', grossKg: 11.8 });
  const into = await register(page, 'E-02');
  await page.goto(`/cylinders/${into}`);
  await expect(page.getByRole('row', { name: /^R-410A/ })).toContainText('37.0 lb');

  await page.getByRole('link', { name: words.fillThisCylinder }).click();
  await page.getByLabel(words.grossWeightScaleReading, { exact: true }).fill('17.2');
  await page.getByLabel(words.source).selectOption({ label: 'E-01 (8.8 lb in it)' });
  await page.getByRole('button', { name: words.startTheTransfer }).click();
  await page.getByLabel(words.endingGrossWeight, { exact: true }).fill('20.0');
  await page.getByRole('button', { name: words.earlier }).click();
  await page.getByLabel(words.when, { exact: true }).fill('2099-01-01T08:00');
  await expect(page.getByText('Time cannot be in the future.')).toBeVisible();
  await page.getByLabel(words.when, { exact: true }).fill('2026-11-02T15:10');
  await page.getByLabel('Note').fill('poured at the lighthouse');
  await page.getByRole('button', { name: words.logTransfer }).click();
  await expect(page.getByText('Booked.')).toBeVisible();

  await page.goto('/book');
  await page.getByLabel('Find an entry').fill('lighthouse e-02');
  await expect(page.getByText('One entry with “lighthouse e-02”.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Nov 2, 2026, 15:10/ })).toContainText('2.8 lb');
  await page.getByRole('link', { name: 'E-02' }).click();
  await expect(page.getByRole('heading', { name: 'E-02', level: 1 })).toBeVisible();
  await page.getByRole('link', { name: 'E-01' }).click();
  await expect(page.getByRole('heading', { name: 'E-01', level: 1 })).toBeVisible();
  await expect(page.getByText('expected gross weight 23.2 lb')).toBeVisible();
});

test('a vacuum is not proved before the last of it went out', async ({ page }) => {
  const id = await register(page, 'E-03', { refrigerant: 'R-134a', grossKg: 9.8 });
  await page.goto(`/cylinders/${id}`);
  const form = page.getByRole('region', { name: 'Record' });
  await form.getByLabel(words.whatHappened).selectOption('left');
  await form.getByLabel(words.destination).selectOption({ label: 'Reclaimer' });
  await form.getByLabel('Starting gross weight', { exact: true }).fill('21.6');
  await form.getByLabel(words.endingGrossWeight, { exact: true }).fill('17.2');
  await form.getByRole('button', { name: words.recordIt }).click();
  await expect(form.getByText(words.recorded)).toBeVisible();

  await form.getByLabel(words.whatHappened).selectOption('evacuated');
  await form.getByLabel('Vacuum held', { exact: true }).fill('300');
  await form.getByLabel(words.gauge).fill('micron gauge 2');
  await form.getByRole('button', { name: words.earlier }).click();
  await form.getByLabel(words.when, { exact: true }).fill('2026-11-02T15:10');
  await form.getByRole('button', { name: words.recordIt }).click();
  await expect(form.getByText(/At that time E-03 was still in use/).first()).toBeVisible();
  await page.reload(); // what was typed is kept
  await expect(form.getByLabel(words.gauge)).toHaveValue('micron gauge 2');
  await form.getByRole('button', { name: 'Now' }).click();
  await form.getByRole('button', { name: words.recordIt }).click();
  await expect(page.getByText('evacuated, held at 300 microns on micron gauge 2')).toBeVisible();
});
