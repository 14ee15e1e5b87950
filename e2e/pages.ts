import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { words } from './words';

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Id of a cylinder of the demo by its number. */
export async function cylinderId(page: Page, name: string): Promise<string> {
  const cylinders = (await (await page.request.get('/api/cylinders')).json()) as Named[];
  return cylinders.find((cylinder) => cylinder.name === name)!.id;
}

/** Id of the first system of the demo at a site. */
export async function systemId(page: Page, site: string): Promise<string> {
  const systems = (await (await page.request.get('/api/systems')).json()) as { id: string; site: string }[];
  return systems.find((system) => system.site === site)!.id;
}

/** Id of the first visit of the demo to a site. */
export async function visitId(page: Page, site: string): Promise<string> {
  const visits = (await (await page.request.get('/api/visits')).json()) as { id: string; system: { site: string } }[];
  return visits.find(({ system }) => system.site === site)!.id;
}

/** Id of the newest entry of the ledger. */
export async function entryId(page: Page): Promise<string> {
  const [newest] = (await (await page.request.get('/api/movements')).json()) as { id: string }[];
  return newest!.id;
}

/** To the page before a transfer, by the way a person goes. */
export async function openFill(page: Page, name: string): Promise<void> {
  await page.goto('/cylinders');
  await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
  await page.getByRole('link', { name: words.fillThisCylinder }).click();
  // the page of the cylinder has the same drawing, and stays until the next one is loaded
  await expect(page.getByRole('heading', { name: `Fill ${name}` })).toBeVisible();
}

/** Types a part of the designation and takes it from the list. */
export async function chooseRefrigerant(page: Page, part: string, id: string, label = 'Refrigerant'): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.press('ArrowDown'); // opens the list
  await field.pressSequentially(part);
  // a list that is still searched moves under the hand
  const shown = () => page.locator('nz-option-item').evaluateAll((options) => options.map((option) => option.getAttribute('title') ?? ''));
  const isSearched = (titles: readonly string[]) => titles.length > 0 && titles.every((title) => plain(title).includes(plain(part)));
  await expect.poll(async () => isSearched(await shown())).toBe(true);
  await page.locator(`nz-option-item[title="${id}"]`).click();
}

const plain = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** WCAG 2.2 AA as far as a program can judge it. */
export const expectAccessible = (page: Page): Promise<void> =>
  expectNoViolations(page, { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] });

/** What another theme changes of it: the same page in other colors. */
export const expectContrast = (page: Page): Promise<void> => expectNoViolations(page, { type: 'rule', values: ['color-contrast'] });

async function expectNoViolations(page: Page, runOnly: { readonly type: 'tag' | 'rule'; readonly values: string[] }): Promise<void> {
  // no frame of elsewhere is in these pages, and what passes need not be put together for every element
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ runOnly, resultTypes: ['violations'] })
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`)).toEqual([]);
}
