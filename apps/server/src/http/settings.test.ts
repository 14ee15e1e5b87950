import { openHouse, type House } from '../../test/house';

let house: House;
beforeEach(async () => (house = await openHouse()));
afterEach(() => house.close());

const current = async () => {
  const { version, demo: _demo, changedAt, changedBy, ...settings } = (await house.get('/api/organisation')).body;
  return { version: version as number, changedAt, changedBy: changedBy as string | null, settings };
};
const save = (version: number, settings: object, recordedBy: string) =>
  house.send('PUT', '/api/organisation', { version, settings, recordedBy });

test('two people who change the settings at once: the second is told, and nothing of the first is lost', async () => {
  const { version, settings } = await current();
  const [first, second] = await Promise.all([
    save(version, { ...settings, altitudeM: 300 }, 'Ines Marrow'),
    save(version, { ...settings, hottestK: 338 }, 'Tobin Wake'),
  ]);
  expect([first.status, second.status].sort()).toEqual([200, 409]);
  const refused = first.status === 409 ? first : second;
  const now = await current();
  expect(refused.body.code).toBe('changed-meanwhile');
  expect(refused.body.detail).toContain(`${now.changedBy ?? ''} has changed these settings meanwhile`);
  expect(now.version).toBe(version + 1);
  expect([now.settings.altitudeM === 300, now.settings.hottestK === 338].filter(Boolean)).toHaveLength(1);
});

test('every state of the settings is kept with its author, the latest first', async () => {
  const { version, settings } = await current();
  await save(version, { ...settings, altitudeM: 300 }, 'Ines Marrow');
  await save(version + 1, { ...settings, altitudeM: 400 }, 'Tobin Wake');
  const { body } = await house.get('/api/organisation/history');
  expect(body.map(({ version: number, changedBy, settings: state }: { version: number; changedBy: string; settings: { altitudeM: number } }) => [number, changedBy, state.altitudeM])).toEqual([
    [version + 2, 'Tobin Wake', 400],
    [version + 1, 'Ines Marrow', 300],
    [version, expect.any(String), settings.altitudeM],
  ]); // prettier-ignore
});

test('settings that are as they were are no new version', async () => {
  const { version, settings } = await current();
  expect((await save(version, settings, 'Ines Marrow')).status).toBe(200);
});
