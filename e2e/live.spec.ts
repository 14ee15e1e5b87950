import type { APIRequestContext, Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { cylinderId, expectAccessible } from './pages';
import { expect, test } from './test';
import { words } from './words';

let INSTRUMENTS: string;
test.beforeEach(({ instruments }) => {
  INSTRUMENTS = instruments;
});
const act = (request: APIRequestContext, entry: object) => request.post(`${INSTRUMENTS}/act`, { data: entry });

/** Somebody has seen what cools its condenser: without that nothing may be recovered from it, and nothing is foretold. */
const AIR_COOLED = {
  condenserCooling: 'air',
  known: { 'condenser-cooling': { how: 'seen', by: 'Ines Marrow', at: '2026-11-01T09:00:00Z' } },
};

/** A visit of its own to a rooftop unit of its own, looked at, with one cylinder on the simulated scale. */
async function begin(page: Page, site: string, cylinder: string, speed: number): Promise<void> {
  const registered = await page.request.post('/api/systems', {
    data: { key: randomUUID(), site, name: 'rooftop unit', kind: 'packaged', refrigerant: 'R-410A', nameplateKg: 9, facts: AIR_COOLED },
  });
  const [{ id: system }, into] = [(await registered.json()) as { id: string }, await cylinderId(page, cylinder)];
  const said = { recordedBy: 'Ines Marrow' };
  const day = new Date().toLocaleDateString('sv');
  const opened = await page.request.post('/api/visits', { data: { key: randomUUID(), system, day, reason: 'followed live', ...said } });
  const { id } = (await opened.json()) as { id: string };
  const look = { ambient: { text: '95', unit: 'F' }, standing: { text: '280', unit: 'psig' }, failed: 'condenser' };
  await page.request.post(`/api/visits/${id}/events`, {
    data: { kind: 'looked', key: randomUUID(), happenedAt: new Date().toISOString(), look, ...said },
  });
  await page.request.post(`${INSTRUMENTS}/scene`, { data: { system, cylinder: into, method: 'vapour', ambientK: 308.15 } });
  await act(page.request, { act: 'speed', to: speed });
  const found = (await (await page.request.get(`/api/cylinders/${into}`)).json()) as { tareKg: number; contentKg: number };
  await page.goto(`/visits/${id}/transfer?cylinder=${into}`);
  await page.getByLabel(words.grossWeightScaleReading, { exact: true }).fill(((found.tareKg + found.contentKg) / 0.45359237).toFixed(1));
  await page.getByRole('button', { name: words.startTheTransfer }).click();
  await page.getByLabel('How it flows').selectOption('vapour');
}

test('a transfer followed with instruments: a trip averted with ice, a connection that is cut, the alarm before the stop, a swap, the trace in the record', async ({
  page,
  context,
}) => {
  await begin(page, 'Rope walk', 'C-07', 10);
  await expect(page.getByText('10 of their minutes pass in one of ours')).toBeVisible();
  await page.getByRole('button', { name: 'Follow with these instruments' }).click();
  await act(page.request, { act: 'valve', to: 'open' });
  const panel = page.locator('hy-live-panel');
  await expect(panel.getByText('C-07 on the scale, gross')).toBeVisible();
  await expect(panel.getByText(/simulated, 10 × time/)).toBeVisible();
  // foreseen before it comes, with what would avert it, each way with its head
  const trip = panel.getByText(/^The machine (will|may) trip at 525 psig/);
  await expect(trip).toBeVisible({ timeout: 60_000 });
  await panel.getByText('Every way, with head and minutes').click();
  const ice = panel.getByRole('row', { name: /^on ice/i });
  await expect(ice).toContainText(/\d+ psig/);
  await act(page.request, { act: 'cooling', to: 'ice' });
  await ice.getByRole('button', { name: 'It is on ice' }).click();
  await expect(trip).toBeHidden({ timeout: 60_000 });
  await expect(panel.getByText(/to the stop$/)).toBeVisible();
  await expect(page.getByRole('table').getByText('System, as vapor and in the oil')).toBeVisible();

  await context.setOffline(true);
  await expect(panel.getByText(/No connection to the instruments since/)).toBeVisible();
  await expect(panel.getByText(/carried on from the last reading/)).toBeVisible();
  await context.setOffline(false);
  await expect(panel.getByText('C-07 on the scale, gross')).toBeVisible();

  await act(page.request, { act: 'speed', to: 60 });
  const alarm = page.getByRole('alertdialog');
  await expect(alarm.getByText(/Close the valve/)).toBeVisible({ timeout: 90_000 });
  // said in the same moment as it is done: the alarm ends by itself once the scale stands still
  await alarm.getByRole('button', { name: words.valveIsShut }).click();
  await act(page.request, { act: 'valve', to: 'shut' });
  await expect(alarm).toBeHidden();
  // more is in the system than finds room: the swap is led, also for who comes back to it
  await page.reload();
  const swap = panel.getByRole('region', { name: 'Next cylinder' });
  await expect(swap.getByText(/^Another cylinder (is|may be) needed/)).toBeVisible();
  await act(page.request, { act: 'machine', to: 'purge' });
  await swap.getByRole('button', { name: 'It purges' }).click();
  await act(page.request, { act: 'machine', to: 'off' });
  await swap.getByRole('button', { name: 'It is off' }).click();
  await expect(panel.getByText(/^Purged from the machine/)).toBeVisible();
  await panel.getByRole('button', { name: words.stopReadTheScale }).click();
  await expect(page.getByLabel(words.endingGrossWeight, { exact: true })).not.toHaveValue('');
  const followed = page.getByRole('region', { name: 'Transfers that were followed' });
  const file = page.waitForEvent('download');
  await followed.getByRole('button', { name: 'CSV' }).click();
  expect((await file).suggestedFilename()).toMatch(/^transfer-.*\.csv$/);

  // the entry in the log keeps what was followed
  await page.getByRole('button', { name: words.logTransfer }).click();
  await expect(page.getByText(/^Booked/)).toBeVisible();
  await page.goto('/book');
  await page
    .getByRole('row', { name: /Rope walk, rooftop unit/ })
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByRole('heading', { name: /, Rope walk, rooftop unit to C-07$/ })).toBeVisible();
  const kept = page.getByRole('region', { name: 'As it was followed' });
  await expect(kept.getByRole('img', { name: /^From .* to / })).toBeVisible();
  await expect(kept.getByText(/were foretold\.$/)).toBeVisible();
  await expectAccessible(page);
});

test('a transfer followed with typed readings alone, seen by a colleague as well', async ({ page, browser }) => {
  await begin(page, 'Sail loft', 'C-07', 1);
  const chosen = page.getByRole('region', { name: 'Follow it live' }).getByRole('checkbox', { checked: true });
  await expect(chosen).toHaveCount(4);
  for (let left = 4; left > 0; left--) await chosen.first().uncheck();
  await page.getByRole('button', { name: 'Follow with typed readings' }).click();
  const panel = page.locator('hy-live-panel');
  await panel.getByLabel('Gross weight', { exact: true }).fill('27.2');
  await panel.getByRole('button', { name: words.addReading }).click();
  await expect(panel.getByText(/gross as it was typed last/)).toBeVisible();

  const colleague = await (await browser.newContext()).newPage();
  await colleague.goto(page.url().replace(/\?.*/, ''));
  await expect(colleague.locator('hy-live-panel').getByText(/gross/).first()).toBeVisible();
  await colleague.locator('hy-live-panel').getByRole('button', { name: words.stopped, exact: true }).click();
  await expect(panel.getByRole('button', { name: words.stopped, exact: true })).toHaveAttribute('aria-pressed', 'true');
  await colleague.context().close();
  await panel.getByRole('button', { name: words.stopReadTheScale }).click();
  await expect(page.getByRole('button', { name: words.logTransfer })).toBeVisible();
});

test('a pump-down followed with instruments: it draws, the valve is shut in time, and the repair is next', async ({ page }) => {
  // a split unit whose valves somebody has seen, as the demo has one
  const all = (await (await page.request.get('/api/systems')).json()) as { site: string; facts: object }[];
  const { facts } = all.find(({ site }) => site === 'Bell foundry')!;
  const registered = await page.request.post('/api/systems', {
    data: { key: randomUUID(), site: 'Boat slip', name: 'left wall', kind: 'split', refrigerant: 'R-32', nameplateKg: 1.1, facts },
  });
  const { id: system } = (await registered.json()) as { id: string };
  const said = { recordedBy: 'Ines Marrow' };
  const day = new Date().toLocaleDateString('sv');
  const opened = await page.request.post('/api/visits', { data: { key: randomUUID(), system, day, reason: 'coil leaks', ...said } });
  const { id } = (await opened.json()) as { id: string };
  const look = {
    ambient: { text: '80', unit: 'F' },
    standing: { text: '238', unit: 'psig' },
    sides: 'both',
    failed: 'evaporator',
    compressor: 'runs',
    metering: 'works',
    'liquid-service': 'holds',
    'suction-service': 'holds',
  };
  await page.request.post(`/api/visits/${id}/events`, {
    data: { kind: 'looked', key: randomUUID(), happenedAt: new Date().toISOString(), look, ...said },
  });
  const scene = { system, cylinder: await cylinderId(page, 'C-07'), method: 'pump-down', ambientK: 299.8 };
  await page.request.post(`${INSTRUMENTS}/scene`, { data: scene });
  await act(page.request, { act: 'speed', to: 10 });
  await page.goto(`/visits/${id}/method`);
  await page.getByRole('button', { name: 'Save: pump down into the condenser' }).click();
  await expect(page).toHaveURL(/\/transfer$/);
  const part = page.getByRole('region', { name: 'Pump it down' });
  await expect(part.getByText(words.shutTheLiquidServiceValve)).toBeVisible();
  await part.getByRole('button', { name: 'The liquid valve is shut' }).click();
  await act(page.request, { act: 'valve', to: 'open' });
  await part.getByRole('button', { name: /^Follow probe-low, probe-high/ }).click();
  await expect(part.getByText(/^Suction, drawing for/)).toBeVisible();
  await expect(part.getByText(/its switch opens at 6\d\d psig/)).toBeVisible();
  await expect(part.getByText(/: shut its valve, then stop the compressor\.$/)).toBeVisible({ timeout: 120_000 });
  await part.getByRole('button', { name: 'Valve shut, compressor off' }).click();
  await expect(page.getByRole('link', { name: 'Transfer, done' })).toBeVisible();
  await expect(page.getByRole('heading', { name: words.shutInAndWatch })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Next: Repair it' })).toBeVisible();
});

/** A JPEG as a camera makes it, drawn by the browser that is here. */
const picture = async (page: Page): Promise<Buffer> =>
  Buffer.from(
    (
      await page.evaluate(() => {
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [2400, 1800];
        const pen = canvas.getContext('2d');
        if (pen !== null) [pen.fillStyle, pen.font] = ['#c8b88a', '200px sans-serif'];
        pen?.fillRect(0, 0, 2400, 1800);
        pen?.strokeText('flare', 600, 900);
        return canvas.toDataURL('image/jpeg', 0.9);
      })
    ).replace(/^data:image\/jpeg;base64,/, ''),
    'base64',
  );

test('a nitrogen hold read by its instruments finds the leak, goes on while no page is open, and is photographed', async ({ page }) => {
  const registered = await page.request.post('/api/systems', {
    data: { key: randomUUID(), site: 'Net store', name: 'cold room', kind: 'walk-in', refrigerant: 'R-448A', nameplateKg: 5 },
  });
  const { id: system } = (await registered.json()) as { id: string };
  const said = { recordedBy: 'Ines Marrow' };
  const day = new Date().toLocaleDateString('sv');
  const opened = await page.request.post('/api/visits', { data: { key: randomUUID(), system, day, reason: 'held', ...said } });
  const { id } = (await opened.json()) as { id: string };
  await page.request.post(`/api/visits/${id}/events`, {
    data: {
      kind: 'looked',
      key: randomUUID(),
      happenedAt: new Date().toISOString(),
      look: { ambient: { text: '72', unit: 'F' } },
      ...said,
    },
  });
  await page.request.post(`${INSTRUMENTS}/proof`, { data: { system, leak: 'large', wet: false, ambientK: 295.4 } });
  await act(page.request, { act: 'nitrogen', gaugePa: 300 * 6894.757 });
  await act(page.request, { act: 'speed', to: 60 });

  await page.goto(`/visits/${id}/prove`);
  await page.getByLabel(words.testPressure, { exact: true }).fill('300');
  await page.getByLabel('Volume under test', { exact: true }).fill('12');
  await page.getByLabel('Filled', { exact: true }).selectOption('30');
  await page.getByRole('checkbox', { name: /I have read the pressure limits/ }).check();
  await page.getByRole('button', { name: words.startTheHold }).click();
  await page.getByRole('button', { name: /^Follow .*probe-high/ }).click();
  await expect(page.getByText(/Reads .*probe-high.* by itself: \d+ readings/)).toBeVisible();
  // nobody looks for a while: what came meanwhile is there when somebody does
  await page.goto('/');
  const passed = async () => ((await (await page.request.get(`${INSTRUMENTS}/state`)).json()) as { scene: { t: number } }).scene.t;
  const left = await passed();
  await expect.poll(passed).toBeGreaterThan(left + 240);
  await page.goto(`/visits/${id}/prove`);
  await expect(page.getByText(/Nitrogen hold, \d+ min: leaking/)).toBeVisible({ timeout: 90_000 });
  await page.getByRole('button', { name: 'End the test' }).click();
  await expect(page.getByText(/Leaking \d.* per hour/).first()).toBeVisible();

  await page
    .getByLabel('Photograph Suction port, core and cap')
    .setInputFiles({ name: 'leak.jpg', mimeType: 'image/jpeg', buffer: await picture(page) });
  const shown = page.getByRole('img', { name: /Suction port, core and cap, .*Ines Marrow/ });
  await expect(shown).toBeVisible();
  await shown.scrollIntoViewIfNeeded();
  await expect.poll(() => shown.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1600);
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Certificate (PDF)' }).click();
  expect((await file).suggestedFilename()).toMatch(/^pressure-test-Net-store.*\.pdf$/);
});

test('a vacuum read by the micron gauge: a leak of the own hose is put there', async ({ page }) => {
  const systems = (await (await page.request.get('/api/systems')).json()) as { id: string; site: string }[];
  const system = systems.find(({ site }) => site === 'Net store')?.id;
  const visits = (await (await page.request.get('/api/visits')).json()) as { id: string; system: { id: string } }[];
  const visit = visits.find((entry) => entry.system.id === system)?.id ?? '';
  await page.request.post(`${INSTRUMENTS}/proof`, { data: { system, leak: 'own-hose', wet: false, ambientK: 295.4 } });
  await act(page.request, { act: 'pump', to: 'on' });
  await act(page.request, { act: 'speed', to: 60 });
  await page.goto(`/visits/${visit}/prove`);
  await page.getByRole('button', { name: 'The pump is running' }).click();
  await page.getByRole('button', { name: 'Follow micron-1' }).click();
  await expect(page.getByText(/Reads micron-1 by itself: [1-9]\d* readings/)).toBeVisible();
  await expect(page.getByRole('button', { name: words.endThePullDown })).toBeEnabled({ timeout: 90_000 });
  await page.getByRole('button', { name: words.endThePullDown }).click();

  await act(page.request, { act: 'system-valve', to: 'shut' });
  await act(page.request, { act: 'pump', to: 'off' });
  await act(page.request, { act: 'speed', to: 10 });
  await page.getByRole('button', { name: 'Start the rise test' }).click();
  await page.getByRole('button', { name: 'Follow micron-1' }).click();
  await expect(page.getByText(/Reads micron-1 by itself: [5-9] readings|\d\d readings/)).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('Shut in').selectOption('pump');
  await act(page.request, { act: 'system-valve', to: 'open' });
  await expect(page.getByText(/in your own rig/).first()).toBeVisible({ timeout: 120_000 });
});

test('an evacuated unit is charged beside the scale until it is called, and checked by its instruments once it has settled', async ({
  page,
}) => {
  const registered = await page.request.post('/api/systems', {
    data: { key: randomUUID(), site: 'Signal house', name: 'watch room', kind: 'split', refrigerant: 'R-410A', nameplateKg: 1.2 },
  });
  const { id: system } = (await registered.json()) as { id: string };
  const said = { recordedBy: 'Ines Marrow' };
  const day = new Date().toLocaleDateString('sv');
  const opened = await page.request.post('/api/visits', { data: { key: randomUUID(), system, day, reason: 'charged', ...said } });
  const { id } = (await opened.json()) as { id: string };
  const looked = { kind: 'looked', look: { ambient: { text: '62', unit: 'F' } } };
  const event = { key: randomUUID(), happenedAt: new Date().toISOString(), ...said, ...looked };
  expect((await page.request.post(`/api/visits/${id}/events`, { data: event })).ok()).toBe(true);
  const cylinder = await cylinderId(page, 'C-01');
  const scene = { system, cylinder, fault: 'none', metering: 'txv', start: 'evacuated', heating: false, outdoorK: 290 };
  expect((await page.request.post(`${INSTRUMENTS}/run`, { data: scene })).ok()).toBe(true);

  await page.goto(`/visits/${id}/recharge`);
  await expect(page.getByRole('img', { name: /^Charge: 0\.0 lb in, target 2\.6 lb/ })).toBeVisible();
  // the twin tells how much goes over by itself, and what has to be pushed from a colder cylinder
  const foretold = page.getByRole('region', { name: 'How it goes in' });
  await expect(foretold.getByText(/^By pressure alone all of it goes over in/)).toBeVisible();
  await page.getByLabel('System warmer than the cylinder by, °F').fill('20');
  await expect(foretold.getByText(/The recovery machine pushes the rest over in .*, its head up to \d+ psig/)).toBeVisible();
  await page.getByRole('button', { name: /^Follow scale-1/ }).click();
  await act(page.request, { act: 'feed', to: 'open' });
  const alarm = page.getByRole('alertdialog');
  await expect(alarm.getByText('Close the valve now')).toBeVisible({ timeout: 90_000 });
  // answered before it is shut: once nothing flows any more it ends by itself, and nobody has answered it
  await alarm.getByRole('button', { name: words.valveIsShut }).click();
  await act(page.request, { act: 'feed', to: 'shut' });
  await expect(alarm).toBeHidden();
  await page.getByRole('button', { name: 'Stop following, take the reading' }).click();
  await page.getByRole('button', { name: /^Log \d/ }).click();
  await expect(page.getByText(/Logged on this visit: [12]\.\d+ lb of 2\.6 lb/)).toBeVisible();
  const notes = async () => ((await (await page.request.get(`/api/visits/${id}`)).json()) as { chargeNotes: { note: { what: string } }[] }).chargeNotes; // prettier-ignore
  await expect.poll(async () => (await notes()).map(({ note }) => note.what)).toEqual(['alarm', 'answered']);

  await act(page.request, { act: 'compressor', to: 'on' });
  await act(page.request, { act: 'speed', to: 60 });
  const speeds = async () => ((await (await page.request.get('/api/instruments')).json()) as { id: string; facts: { speed?: number } }[]).map(({ facts }) => facts.speed); // prettier-ignore
  await expect.poll(speeds).toContain(60);
  await page.goto(`/visits/${id}/check`);
  await page.getByRole('button', { name: /^Follow \d+ instruments/ }).click();
  await page.getByLabel(words.meteringDevice, { exact: true }).selectOption('txv');
  await expect(page.getByText('It has settled')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('cell', { name: /^\d+ %$/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Stop following' }).click();
  await page.getByRole('button', { name: 'Log these readings' }).click();
  await expect(page.getByRole('region', { name: words.loggedReadings }).getByText(/Ines Marrow: /)).toBeVisible();
  await expect(page.getByRole('region', { name: words.loggedReadings }).getByText(/not settled/)).toBeHidden();
});
