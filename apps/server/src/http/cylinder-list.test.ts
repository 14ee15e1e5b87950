import { cylinderNamed, openHouse, environment, transferOf, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const tag = async () => (await house.request('/api/cylinders')).headers.get('etag') ?? '';
const asked = (etag: string) => house.request('/api/cylinders', { headers: { 'if-none-match': etag } });

test('a rack that has not changed is not sent again; whatever changes it is seen at once', async () => {
  const first = await tag();
  expect(first).toMatch(/^"/);
  expect((await asked(first)).status).toBe(304);
  const changes: (() => Promise<{ status: number }>)[] = [
    async () => house.send('POST', '/api/transfers', await transferOf(house, 0.1)),
    async () => {
      const { id, place } = await cylinderNamed(house, 'C-06');
      return house.send('POST', `/api/cylinders/${id}/events`, {
        key: environment.newId(), what: 'moved', place: place === 'van' ? 'workshop' : 'van', happenedAt: '2026-11-25T07:40:00Z', recordedBy: 'Ines Marrow',
      });
    },
    async () => {
      const { version, demo: _demo, changedAt: _, changedBy: __, ...settings } = (await house.get('/api/organisation')).body;
      return house.send('PUT', '/api/organisation', { version, settings: { ...settings, hottestK: 339 }, recordedBy: 'Ines Marrow' });
    },
  ]; // prettier-ignore
  for (let before = first, k = 0; k < changes.length; k++) {
    expect((await changes[k]!()).status).toBeLessThan(300);
    const answer = await asked(before);
    expect(answer.status).toBe(200);
    before = answer.headers.get('etag') ?? '';
  }
});

test('pages, one after the other, are the whole list', async () => {
  const { body: all } = await house.get('/api/cylinders');
  const names: string[] = [];
  for (let after = ''; ;) {
    const { body } = await house.get(`/api/cylinders?limit=4${after === '' ? '' : `&after=${encodeURIComponent(after)}`}`);
    names.push(...body.map(({ name }: { name: string }) => name));
    if (body.length < 4) break;
    after = names.at(-1)!;
  }
  expect(names).toEqual(all.map(({ name }: { name: string }) => name));
  expect((await house.get('/api/cylinders?limit=0')).body.detail).toBe('At least one cylinder.');
});
