import { Hono } from 'hono';
import type { Env } from './env';
import { notTooManyAtOnce } from './in-flight';

test('what would only wait is refused with when to come again; once a place is free it goes through', async () => {
  const app = new Hono<Env>();
  let free: () => void = () => undefined;
  app.use(notTooManyAtOnce(1));
  app.get('/', async (c) => {
    await new Promise<void>((resolve) => (free = resolve));
    return c.text('done');
  });
  const first = app.request('/');
  await new Promise((resolve) => setImmediate(resolve));
  const second = await app.request('/');
  expect([second.status, second.headers.get('retry-after')]).toEqual([503, '2']);
  free();
  expect((await first).status).toBe(200);
  const third = app.request('/');
  await new Promise((resolve) => setImmediate(resolve));
  free();
  expect((await third).status).toBe(200);
});
