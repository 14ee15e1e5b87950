import type { Page } from '@playwright/test';
import { chooseRefrigerant } from './pages';
import { expect, test } from './test';
import { words } from './words';

const number = async (page: Page, label: string) => Number(await page.getByLabel(label, { exact: true }).first().inputValue());
const inBars = (page: Page) => page.getByLabel('Unit of Pressure', { exact: true }).selectOption('bar');

test.beforeEach(async ({ page }) => {
  await page.goto('/bench');
});

// ASHRAE Handbook Fundamentals (from memory): R-407C at 25 °C boils under 1188 kPa and condenses under 1018 kPa.
test('a temperature gives both pressures, a pressure gives both temperatures', async ({ page }) => {
  await chooseRefrigerant(page, '407c', 'R-407C');
  await inBars(page);
  await page.getByLabel(words.temperature, { exact: true }).first().fill('77');
  await expect(page.getByText(/R-407C at 77\.0 °F: bubble pressure/)).toBeVisible();
  await expect.poll(() => number(page, 'Pressure')).toBeGreaterThan(11.84);
  expect(await number(page, 'Pressure')).toBeLessThan(11.92);
  await expect(page.getByText(/glide \d+\.\d °F/)).toBeVisible();

  await page.getByLabel(words.pressure, { exact: true }).first().fill('11.88');
  await expect(page.getByText(/R-407C at .*: bubble temperature$/)).toBeVisible();
  await expect.poll(() => number(page, 'Temperature')).toBeCloseTo(77, 0);
});

test('another unit rewrites what was typed, and a slip is named beside its field', async ({ page }) => {
  await page.getByLabel(words.temperature, { exact: true }).first().fill('77');
  await page.getByLabel('Unit of Temperature', { exact: true }).selectOption('C');
  await expect(page.getByLabel(words.temperature, { exact: true }).first()).toHaveValue('25.0');
  await page.getByLabel(words.temperature, { exact: true }).first().fill('2f');
  await page.getByLabel(words.pressure, { exact: true }).first().focus();
  await expect(page.getByText(/"2f" is not a number/)).toBeVisible();
  await page.getByLabel(words.temperature, { exact: true }).first().fill('90');
  await expect(page.getByText(/saturation line of this refrigerant ends at 160 °F/)).toBeVisible();
});

test('a finger on the chart and its arrow keys move the temperature', async ({ page }) => {
  const chart = page.getByRole('slider', { name: /bubble and dew line of R-410A/ });
  // the drawing comes a moment after its place
  await expect(async () => {
    const box = (await chart.boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.5, box.y + box.height * 0.5);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.9, box.y + box.height * 0.5, { steps: 5 });
    await page.mouse.up();
    expect(await number(page, 'Temperature')).toBeGreaterThan(110);
  }).toPass();
  const before = await number(page, 'Temperature');
  const pressure = await number(page, 'Pressure');
  await chart.focus();
  for (let k = 0; k < 3; k++) await page.keyboard.press('ArrowLeft');
  await expect.poll(() => number(page, 'Temperature')).toBeLessThan(before - 2);
  await expect.poll(() => number(page, 'Pressure')).toBeLessThan(pressure);
});

test('what is in this cylinder: a mixture by weight against the label, kept over a reload', async ({ page }) => {
  await page.getByRole('button', { name: 'A mixture by weight' }).click();
  await expect(page.getByText(/weigh each part: at least two/)).toBeVisible();
  await chooseRefrigerant(page, '410a', 'R-410A', 'Content 1');
  await page.getByLabel('Weight of content 1', { exact: true }).fill('12');
  await chooseRefrigerant(page, 'R-22', 'R-22', 'Content 2');
  await page.getByLabel('Weight of content 2', { exact: true }).fill('8');
  await expect(page.getByText('60 % R-410A + 40 % R-22 at')).toBeVisible();
  await chooseRefrigerant(page, '410a', 'R-410A', 'Compare with what the label says');
  await expect(page.getByText(/it reads \d+ psi below R-410A/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('60 % R-410A + 40 % R-22 at')).toBeVisible();

  await page.getByRole('button', { name: 'Add component' }).click();
  await page.getByRole('button', { name: 'Remove component 3' }).click();
  await expect(page.getByLabel('Weight of content 3', { exact: true })).toHaveCount(0);
});

test('a measured pair is air, superheat or subcooling, by where it was measured', async ({ page }) => {
  await page.getByLabel('Unit of Gauge reads').selectOption('psia');
  await page.getByLabel(words.gaugeReads, { exact: true }).fill('280');
  await page.getByLabel('Temperature of the liquid', { exact: true }).fill('77');
  await expect(page.getByText(/psi above R-410A, which reads/)).toBeVisible();
  await expect(page.getByText(/Air would be 1[345] % of the vapor, above the 1\.5 %/)).toBeVisible();

  await page.getByLabel('Measured at').selectOption('suction');
  await page.getByLabel(words.gaugeReads, { exact: true }).fill('132.7');
  await page.getByLabel(words.temperatureOfTheLine, { exact: true }).fill('50');
  await expect(page.getByText(/Superheat (9\.\d|10\.\d) °F/)).toBeVisible(); // 118 psig boil at 40 °F: common practice
  await page.getByLabel(words.temperatureOfTheLine, { exact: true }).fill('35');
  await expect(page.getByText(/liquid comes back to the compressor/)).toBeVisible();
});

test('the equations behind the numbers are named', async ({ page }) => {
  await page.getByText('Where the numbers come from').click();
  await expect(page.getByText(/R-32.*Tillner-Roth/)).toBeVisible();
});
