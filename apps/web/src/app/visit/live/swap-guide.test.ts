import { of } from 'rxjs';
import { aTransfer } from '../../../../test/live-scene';
import { settled } from '../../../../test/scene';
import { open, plan, SEEN } from '../../../../test/visit-scene';

// a canvas draws nothing here
jest.mock('./live-chart-setup', () => ({ DrawnLive: { on: () => Promise.resolve({ set: () => undefined, destroy: () => undefined }) } }));

const begunAt = new Date(Date.now() - 60_000).toISOString();
/** 9 kg in the system, room for 5.6 kg. */
const follow = (more: object = {}) =>
  open('transfer', { look: SEEN, plan, transfers: [aTransfer({ begunAt, ...more })] }, { instruments$: of([]) }, { cylinder: 'c7' });

test('a cylinder that will be full first is told in time, and each step of the swap is kept', async () => {
  const { text, press, sent, fixture } = await follow();
  await settled(fixture);
  expect(text()).toMatch(/Another cylinder is needed: about \d\.\d\d? lb will be left when C-07 is at its stop, in about/);
  expect(text()).toContain('let it clear itself: about 0.88 lb stand in it');
  await press('It is off');
  await press('It is shut');
  const notes = sent.flatMap((event) => (event.kind === 'transfer-noted' ? [event.note] : []));
  expect(notes.filter(({ what }) => what !== 'trip-foreseen')).toEqual([
    { what: 'machine', state: 'off' },
    { what: 'valve', state: 'shut' },
  ]);
});

test('where all of it finds room nothing is said of another one', async () => {
  const { setUp } = aTransfer();
  const scenario = { ...setUp.scenario!, system: { ...setUp.scenario!.system, chargeKg: 3 } };
  const { text, fixture } = await follow({ setUp: { ...setUp, scenario } });
  await settled(fixture);
  expect(text()).not.toContain('Another cylinder');
});
