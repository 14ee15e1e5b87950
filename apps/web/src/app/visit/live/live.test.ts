import { NEVER, of } from 'rxjs';
import { aTransfer } from '../../../../test/live-scene';
import { settled } from '../../../../test/scene';
import { open, plan, SEEN } from '../../../../test/visit-scene';

// a canvas draws nothing here
jest.mock('./live-chart-setup', () => ({ DrawnLive: { on: () => Promise.resolve({ set: () => undefined, destroy: () => undefined }) } }));

// nothing comes but what stands in the visit
jest.mock('../../data/reading-stream', () => ({ readings$: () => NEVER }));

const ago = (minutes: number) => new Date(Date.now() - 60_000 * minutes).toISOString();
/** Typed readings of a transfer that began ten minutes ago. */
const running = (grosses: readonly (readonly [minutesAgo: number, grossKg: number])[], more: object = {}) =>
  aTransfer({
    setUp: { ...aTransfer().setUp, scenario: null },
    begunAt: ago(10),
    readings: grosses.map(([minutes, grossKg]) => ({ at: ago(minutes), by: 'Ines Marrow', reading: { grossKg } })),
    ...more,
  });
const at = (transfer: ReturnType<typeof aTransfer>, stage = 'transfer', instruments: readonly object[] = []) =>
  open(stage, { look: SEEN, plan, transfers: [transfer] }, { instruments$: of(instruments) }, { cylinder: 'c7' });

describe('a transfer that runs', () => {
  test('stands there for whoever looks at the visit, with the weight and what is left', async () => {
    const { text, fixture } = await at(running([[5, 12], [-1, 14]])); // prettier-ignore
    await settled(fixture);
    expect(text()).toContain('C-07, gross as it was typed last');
    expect(text()).toContain('30.9');
    expect(text()).toContain('6.1 lb to the stop at 37.0 lb');
    expect(text()).toContain('0.73 lb/min');
    expect(text()).toContain('Where it is');
    expect(text()).not.toContain('Log transfer');
  });

  test('without a new reading is carried on at the rate that was read', async () => {
    const { text, fixture } = await at(running([[5, 12], [1, 14]])); // prettier-ignore
    await settled(fixture);
    expect(text()).toContain('C-07, gross carried on from the last reading, 60 s ago');
    expect(text()).toMatch(/5\.0 lb to the stop/);
  });

  test('takes a typed reading in the person’s units', async () => {
    const { text, type, press, sent } = await at(running([[5, 12]])); // prettier-ignore
    expect(text()).toContain('Type a reading');
    await type('Gross weight', '28.5');
    await type('Head', '380');
    await press('Add reading');
    expect(sent).toMatchObject([
      { kind: 'transfer-read', transferId: 't1', reading: { grossKg: expect.closeTo(12.927, 2), headPa: expect.closeTo(2_721_333, -3) } },
    ]);
  });

  test('keeps what was done to it: ice, the machine stopped', async () => {
    const { press, sent } = await at(running([[5, 12]])); // prettier-ignore
    await press('Ice');
    await press('Stopped');
    expect(sent.map((entry) => entry.kind === 'transfer-noted' && entry.note)).toEqual([
      { what: 'cooling', cooling: 'ice' },
      { what: 'machine', state: 'off', grossKg: 12 },
    ]);
  });

  test('keeps the purge of the machine with what the scale showed, and tells what came by it', async () => {
    const { press, sent, text } = await at(running([[5, 12]])); // prettier-ignore
    expect(text()).not.toContain('Purged from the machine');
    await press('Purges itself');
    expect(sent.at(-1)).toMatchObject({ note: { what: 'machine', state: 'purge', grossKg: 12 } });
    expect(text()).toMatch(/Purged from the machine: 0\.?0* lb/);
  });

  test('is told once from when on simulated instruments run at another speed', async () => {
    const since = Date.now() - 60_000;
    const scale = {
      id: 'scale-1',
      gateway: 'demo',
      heardAt: ago(0),
      last: {},
      facts: { simulated: true, speed: 60, speedSince: since / 1000 },
    };
    const paired = running([[5, 12]], { setUp: { ...aTransfer().setUp, scenario: null, instruments: { gross: 'scale-1' } } });
    const { sent, fixture, text } = await at(paired, 'transfer', [scale]);
    await settled(fixture);
    expect(sent).toMatchObject([{ kind: 'transfer-noted', note: { what: 'speed', to: 60 }, happenedAt: new Date(since).toISOString() }]);
    expect(text()).toContain('simulated, 60 × time');
  });

  test('is stopped with the weight that was read, which becomes the ending gross weight', async () => {
    const { press, sent, control, text, fixture } = await at(running([[5, 12], [1, 14]])); // prettier-ignore
    await press('Stop, read the scale');
    await settled(fixture);
    expect(sent.find(({ kind }) => kind === 'transfer-ended')).toMatchObject({ finish: { endGrossKg: 14 } });
    expect(control('Ending gross weight').value).toBe('30.86');
    expect(text()).toContain('Log transfer');
    expect(text()).toContain('Followed');
  });
});

describe('the stop alarm', () => {
  test('fills the screen before the stop, on whichever stage somebody is, and stays in the record', async () => {
    const { root, sent } = await at(running([[2, 15], [0.01, 16.74]]), 'look'); // prettier-ignore
    const alarm = root.querySelector('[role=alertdialog]');
    expect(alarm?.textContent).toContain('Close the valve now');
    expect(alarm?.textContent).toContain('36.9 lb');
    expect(document.activeElement?.textContent).toContain('Valve is shut');
    expect(sent).toMatchObject([{ kind: 'transfer-noted', note: { what: 'alarm', stage: 'now' } }]);
  });

  test('says when it is beyond', async () => {
    const { root } = await at(running([[2, 16], [0.01, 17.1]])); // prettier-ignore
    expect(root.querySelector('[role=alertdialog]')?.textContent).toContain('Beyond the stop');
  });

  test('is answered, not switched off: while the weight still rises it comes again', async () => {
    const answered = { at: ago(2), by: 'Ines Marrow', note: { what: 'acknowledged', grossKg: 16.5 } } as const;
    const { root } = await at(running([[3, 15], [0.01, 16.78]], { notes: [answered] })); // prettier-ignore
    expect(root.querySelector('[role=alertdialog]')).not.toBeNull();
  });

  test('is still once it was answered', async () => {
    const { root, press, sent, fixture } = await at(running([[2, 15], [0.01, 16.74]])); // prettier-ignore
    await press('Valve is shut');
    await settled(fixture);
    expect(root.querySelector('[role=alertdialog]')).toBeNull();
    expect(sent.map((entry) => entry.kind === 'transfer-noted' && entry.note.what)).toEqual(['alarm', 'acknowledged', 'valve']);
  });

  test('is quiet far from the stop', async () => {
    const { root } = await at(running([[5, 12], [1, 14]])); // prettier-ignore
    expect(root.querySelector('[role=alertdialog]')).toBeNull();
  });
});
