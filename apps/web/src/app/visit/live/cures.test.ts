import { signal } from '@angular/core';
import type { Cure, CureBy } from '@hygromet/core/twin/estimate/cures';
import { render, stage } from '../../../../test/scene';
import { Cures } from './cures';
import { LiveTransfer } from './live-transfer';

const cure = (by: CureBy, more: Partial<Cure> = {}): Cure => ({ by, headPa: 3e6, heads: [], endS: 900, tripS: undefined, ...more });

async function shown(cures: readonly Cure[]) {
  const done: CureBy[] = [];
  const outlook = signal({ cures, end: { t: { likely: 900, low: 800, high: 1000 } } });
  const live = { outlook, elapsed: signal(100), cured: (by: CureBy) => done.push(by) };
  stage({ providers: [{ provide: LiveTransfer, useValue: live }] });
  const page = await render(Cures);
  const rows = [...page.root.querySelectorAll('tbody tr')].map((row) => (row.textContent ?? '').replaceAll(/\s+/g, ' ').trim());
  return { ...page, rows, done };
}

test('each way stands with its head, or when it trips all the same, and with the minutes that it takes', async () => {
  const { rows } = await shown([
    cure('fan', { tripS: 400 }),
    cure('ice', { headPa: 2e6, endS: 780 }),
    cure('throttle', { endS: 1860 }),
    cure('loop', { endS: 920 }),
  ]);
  expect(rows[0]).toMatch(/^with a fan trips in 5 min/);
  expect(rows[1]).toMatch(/^on ice 275 psig 2 min less/);
  expect(rows[2]).toMatch(/^with the suction throttled 420 psig 16 min more/);
  expect(rows[3]).toMatch(/^looped for five minutes 420 psig as long/);
});

test('what was done is said by its button; another cylinder has its own steps', async () => {
  const { root, done } = await shown([cure('ice'), cure('throttle'), cure('swap')]);
  const buttons = [...root.querySelectorAll('button')];
  expect(buttons.map(({ textContent }) => textContent)).toEqual(['It is on ice', 'The suction is throttled']);
  buttons.forEach((button) => button.click());
  expect(done).toEqual(['ice', 'throttle']);
});

test('where no trip is foreseen nothing stands there', async () => {
  expect((await shown([])).root.querySelector('table')).toBeNull();
});
