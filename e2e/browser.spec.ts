import { readIn } from './api-requests';
import { cylinderId, openFill, visitId } from './pages';
import { expect, test } from './test';
import { words } from './words';

test('a browser that keeps nothing shows every page all the same, and says so', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'localStorage', {
      get: () => {
        throw new DOMException('blocked', 'SecurityError');
      },
    });
  });
  await page.goto('/cylinders');
  await expect(page.getByText('This browser keeps nothing')).toBeVisible();
  await expect(page.getByText('C-07').first()).toBeVisible();
});

test('a part of the program that is gone is 404, and the page offers to load the new version', async ({ page, request }) => {
  expect((await request.get('/chunk-ABCDEFGH.js')).status()).toBe(404);
  await page.goto('/today');
  await page.route(/chunk-[A-Z0-9]{8}\.js$/, (route) => route.fulfill({ status: 404, body: 'gone' }));
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByText('A newer version of Hygromet is there.')).toBeVisible();
  await page.unroute(/chunk-[A-Z0-9]{8}\.js$/);
  await page.getByRole('button', { name: 'Load it' }).click();
  await expect(page).toHaveURL(/\/bench$/);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('a stage whose part does not come says what to do, and is there once it is read again', async ({ page }) => {
  await page.goto(`/visits/${await visitId(page, 'Seed bank')}/look`);
  await expect(page.getByRole('heading', { name: 'What do you find?' })).toBeVisible();
  await page.route(/chunk-[A-Z0-9]{8}\.js$/, (route) => route.abort());
  await page.getByRole('link', { name: /Prove/ }).click();
  await expect(page.getByText('This stage did not come:')).toBeVisible();
  await page.unroute(/chunk-[A-Z0-9]{8}\.js$/);
  await page.getByRole('button', { name: words.readAgain }).click();
  await expect(page.getByRole('heading', { name: 'Pressure test with dry nitrogen' })).toBeVisible();
});

test('a keypad that does not come says where the weight is typed instead', async ({ page }) => {
  await page.goto(`/cylinders/${await cylinderId(page, 'C-07')}/fill`);
  const keypad = page.getByRole('button', { name: 'Keypad for: Gross weight (scale reading)' });
  await expect(keypad).toBeVisible();
  await page.route(/chunk-[A-Z0-9]{8}\.js$/, (route) => route.abort());
  await keypad.click();
  await expect(page.getByText('The keypad did not come:')).toBeVisible();
  const weight = page.getByLabel(words.grossWeightScaleReading, { exact: true });
  await weight.click(); // nothing lies over it
  await weight.fill('30.6');
  await expect(weight).toHaveValue('30.6');
  await expect(page.getByText('The keypad did not come:')).toBeHidden();
});

test('drafts of an older shape break no page', async ({ page }) => {
  await page.goto('/cylinders');
  const odd = [
    '{"before":null}',
    '{"before":"12.5","stage":"nothing"}',
    '{"stage":"account","booked":null}',
    '[]',
    '7',
    '{"typed":{"what":3}}',
  ];
  const id = await page.evaluate(async () => ((await (await fetch('/api/cylinders')).json()) as { id: string }[])[0]?.id ?? '');
  for (const draft of odd) {
    await page.evaluate(
      ([name, value]) => {
        for (const what of [`fill.${name}`, `cylinder-event.${name}`, 'rack', 'round', 'truck', 'bench', 'shipment', 'new-cylinder'])
          localStorage.setItem(`hygromet.draft.${what}`, value ?? '');
      },
      [id, draft],
    );
    const broken: string[] = [];
    page.on('pageerror', (error) => broken.push(error.message));
    for (const path of [`/cylinders/${id}/fill`, `/cylinders/${id}`, '/cylinders', '/bench', '/cylinders/new']) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    }
    expect(broken, `with ${draft}`).toEqual([]);
  }
});

test('the same transfer from a second device is asked about in the page, and left', async ({ page, request }) => {
  const accounts = (await (await request.get('/api/accounts')).json()) as { id: string; kind: string }[];
  // one of its own: other tests look at those of the demo
  const registered = await request.post('/api/cylinders', {
    data: {
      key: crypto.randomUUID(),
      name: 'C-71',
      volumeM3: 0.012,
      tareKg: 8,
      servicePressurePa: 2.8e6,
      requalified: '2026-05',
      place: 'reclaimer',
    },
  });
  const one = (await registered.json()) as { id: string; tareKg: number };
  const before = one.tareKg;
  const booked = await request.post('/api/transfers', {
    data: {
      key: crypto.randomUUID(),
      from: accounts.find(({ kind }) => kind === 'supplier')!.id,
      cylinder: one.id,
      refrigerant: 'R-32',
      grossBeforeKg: before,
      grossAfterKg: before + 0.3,
      happenedAt: new Date().toISOString(),
      recordedBy: 'Tobin Wake',
    },
  });
  expect(booked.status()).toBe(201);
  await page.goto(`/cylinders/${one.id}/fill`);
  await page.evaluate(
    ([id, from, gross]) => {
      const entry = (kg: number) => ({ text: kg.toFixed(3), unit: 'kg', ounces: '' });
      const draft = {
        stage: 'transfer',
        before: entry(Number(gross)),
        after: entry(Number(gross) + 0.3),
        source: from,
        refrigerant: 'R-32',
      };
      localStorage.setItem(`hygromet.draft.fill.${id ?? ''}`, JSON.stringify(draft));
    },
    [one.id, accounts.find(({ kind }) => kind === 'supplier')!.id, String(before)],
  );
  await page.reload();
  await page.getByRole('button', { name: words.logTransfer }).click();
  await expect(page.getByText('Tobin Wake has logged this already')).toBeVisible();
  await page.getByRole('button', { name: 'It is the same – skip it' }).click();
  await expect(page.getByText('Tobin Wake has logged this already')).toBeHidden();
});

test('a read that failed is said, is read again by a button, and after an outage by itself', async ({ page }) => {
  const systems = (url: URL) => readIn(url.href).includes('/api/systems');
  await page.route(systems, (route) => route.fulfill({ status: 500, json: { code: 'internal', detail: 'Something failed here.' } }));
  await page.goto('/systems');
  await expect(page.getByRole('alert')).toContainText('The systems cannot be read now.');
  await page.unroute(systems);
  await page.getByRole('button', { name: words.readAgain }).click();
  await expect(page.getByText('Planetarium').first()).toBeVisible();
});

interface Kept {
  readonly workers: Worker[];
}

test('a computation that breaks off takes its number with it: nothing starts by it, and the next question is answered', async ({
  page,
}) => {
  // the page keeps its workers where the test can end them, as a device does that runs out of memory
  await page.addInitScript(() => {
    const workers: Worker[] = [];
    Object.assign(globalThis, { workers });
    const Original = globalThis.Worker;
    globalThis.Worker = class extends Original {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        workers.push(this);
      }
    };
  });
  await openFill(page, 'C-11');
  await page.getByLabel(words.source).selectOption({ label: 'Ceramics museum, storage (R-513A)' });
  const gross = page.getByLabel(words.grossWeightScaleReading, { exact: true });
  const start = page.getByRole('button', { name: words.startTheTransfer });
  const cylinder = (await (await page.request.get(`/api/cylinders/${await cylinderId(page, 'C-11')}`)).json()) as {
    tareKg: number;
    contentKg: number;
  };
  const tare = (cylinder.tareKg + cylinder.contentKg) / 0.45359237;
  await gross.fill(tare.toFixed(1));
  await expect(start).toBeEnabled();

  // it is gone, and says nothing of it; only then does the device tell
  await page.evaluate(() => {
    for (const worker of (globalThis as unknown as Kept).workers) worker.terminate();
  });
  await gross.fill((tare + 0.2).toFixed(1));
  await expect(start).toBeDisabled();
  await page.evaluate(() => {
    for (const worker of (globalThis as unknown as Kept).workers.splice(0)) worker.dispatchEvent(new Event('error'));
  });
  await expect(page.getByText(/The computation broke off/).first()).toBeVisible();
  await expect(start).toBeDisabled();
  await gross.fill((tare + 0.3).toFixed(1));
  await expect(start).toBeEnabled();
});

test('no gauge is read before the altitude of the firm is known; it is asked for until it comes, and kept by the device', async ({
  page,
}) => {
  const organisation = (url: URL) => readIn(url.href).includes('/api/organisation');
  const refuse = () =>
    page.route(organisation, (route) =>
      route.fulfill({ status: 503, json: { code: 'unavailable', detail: 'The database does not answer.' } }),
    );
  await refuse();
  await page.goto('/bench');
  await expect(page.getByText('The altitude of the firm cannot be read now.')).toBeVisible();
  await expect(page.getByLabel(words.pressure, { exact: true })).toHaveCount(0);
  await page.unroute(organisation);
  // by itself
  await expect(page.getByLabel(words.pressure, { exact: true }).first()).toBeVisible();
  await refuse();
  await page.reload();
  await expect(page.getByLabel(words.pressure, { exact: true }).first()).toBeVisible();
});
