import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const headersOf = async (path: string, init?: RequestInit) => (await house.request(path, init)).headers;

test.each([
  ['what is read', '/api/cylinders', {}],
  ['what is refused', '/api/transfers', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }],
  ['what is not there', '/api/nothing', {}],
  ['what another page asks', '/api/cylinders', { headers: { origin: 'http://evil.example' } }],
])('%s carries the headers that guard a page', async (_, path, init) => {
  const headers = await headersOf(path, init);
  expect(headers.get('content-security-policy')).toContain("script-src 'self' 'wasm-unsafe-eval'");
  expect(headers.get('x-content-type-options')).toBe('nosniff');
  expect(headers.get('x-frame-options')).toBe('SAMEORIGIN');
  expect(headers.get('cache-control')).toBe('no-cache');
});

test('a health check is no data, and the list of cylinders is compressed where that is asked for', async () => {
  expect((await headersOf('/healthz')).get('cache-control')).toBeNull();
  expect((await headersOf('/api/cylinders', { headers: { 'accept-encoding': 'gzip' } })).get('content-encoding')).toBe('gzip');
});
