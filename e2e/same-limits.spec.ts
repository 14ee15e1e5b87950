import { expect, test } from './test';

interface Held {
  readonly id: string;
  readonly name: string;
  readonly refrigerant: string | null;
  readonly composition: Readonly<Record<string, number>> | null;
  readonly volumeM3: number;
  readonly tareKg: number;
  readonly contentKg: number;
}

const KG_IN_A_POUND = 0.45359237;

/** As a person in pounds reads it: a tenth, a hundredth below half a kilogram; limits and room rounded down. */
function printed(kg: number, rounding: 'nearest' | 'down'): string {
  const decimals = Math.abs(kg) > 1e-6 && Math.abs(kg) < 0.5 ? 2 : 1;
  const steps = (kg / KG_IN_A_POUND) * 10 ** decimals;
  const whole = rounding === 'down' ? Math.floor(steps + 1e-6) : Math.round(steps);
  return (whole / 10 ** decimals).toFixed(decimals).replace('-', '−');
}

test('every limit that the browser computes equals the server’s to the last printed digit', async ({ page }) => {
  test.setTimeout(180_000); // a page for each cylinder of the demo
  const { hottestK } = (await (await page.request.get('/api/organisation')).json()) as { hottestK: number };
  const cylinders = ((await (await page.request.get('/api/cylinders')).json()) as Held[]).filter(({ composition }) => composition !== null);
  expect(cylinders.length).toBeGreaterThan(8);
  let compared = 0;
  for (const { id, name, composition, volumeM3, tareKg, contentKg } of cylinders) {
    const data = { composition, volumeM3, tareKg, contentKg, hottestK };
    const answer = await page.request.post('/api/fill-limits', { data });
    const { limits } = (await answer.json()) as {
      limits?: readonly { name: string; netKg: number; grossKg: number; mayAddKg: number }[];
    };
    if (limits === undefined) continue; // no limit covers it: both say so
    await page.goto(`/cylinders/${id}`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(name);
    const rows = page.locator('hy-limits-table tbody tr');
    await expect(rows).toHaveCount(limits.length);
    const shown = await rows.evaluateAll((all) =>
      all.map((row) => [
        (row.querySelector('button')?.textContent ?? '').trim(),
        ...Array.from(row.querySelectorAll('td')).map((cell) => cell.textContent.trim()),
      ]),
    );
    const expected = limits.map((limit) => [
      limit.name,
      `${printed(limit.netKg, 'nearest')} lb`,
      `${printed(limit.grossKg, 'down')} lb`,
      `${limit.mayAddKg < 0 ? '' : '+'}${printed(limit.mayAddKg, 'down')}`,
    ]);
    expect([name, ...shown]).toEqual([name, ...expected]);
    compared += limits.length;
  }
  expect(compared).toBeGreaterThan(40);
});
