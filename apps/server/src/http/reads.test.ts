import { MOST_READS_COUNT } from '@hygromet/contract/reads-limit';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

interface Part {
  readonly status: number;
  readonly body: unknown;
}
const together = async (...paths: string[]) =>
  (await house.get(`/api/reads?${paths.map((path) => `of=${encodeURIComponent(path)}`).join('&')}`)) as {
    status: number;
    body: Part[] & { code?: string; detail?: string };
  };

test('every read answers what it would have answered alone, in the order of the asking', async () => {
  const paths = ['/api/systems', '/api/movements?limit=2', '/api/organisation'];
  const { status, body } = await together(...paths);
  expect(status).toBe(200);
  const alone = await Promise.all(paths.map(async (path) => (await house.get(path)).body as unknown));
  expect(body).toEqual(alone.map((answer) => ({ status: 200, body: answer })));
  expect(body[1]?.body).toHaveLength(2);
});

test('one that fails takes none of the others with it, and is refused as alone, under the same request id', async () => {
  const missing = `/api/cylinders/${crypto.randomUUID()}`;
  const response = await house.request(`/api/reads?of=${missing}&of=/api/cylinders/nonsense&of=/api/nowhere&of=/api/accounts`);
  const parts = (await response.json()) as Part[];
  expect(parts.map(({ status }) => status)).toEqual([404, 422, 404, 200]);
  expect(parts[0]?.body).toMatchObject({ code: 'not-found', requestId: response.headers.get('x-request-id') });
  expect(parts[2]?.body).toMatchObject({ detail: 'There is no GET /api/nowhere. See /api/docs.' });
});

test('nothing is written, read twice over or fetched from elsewhere by it', async () => {
  for (const path of [
    '/api/reads?of=/api/systems',
    'http://elsewhere.example/api/systems',
    '//elsewhere.example/api/systems',
    '/healthz',
  ]) {
    const { status, body } = await together(path);
    expect([path, status, body.code]).toEqual([path, 422, 'invalid-input']);
  }
  expect((await together('/api/./reads'))?.body[0]?.status).toBe(404);
  expect((await together('/api/instruments/stream')).body[0]?.status).toBe(404);
});

test('one may go, too many are refused with a sentence', async () => {
  expect((await together('/api/prices')).body).toEqual([{ status: 200, body: [] }]);
  const many = await together(...Array.from({ length: MOST_READS_COUNT + 1 }, () => '/api/prices'));
  expect([many.status, many.body.detail]).toEqual([422, `At most ${MOST_READS_COUNT} reads go together: ask again for the rest.`]);
});
