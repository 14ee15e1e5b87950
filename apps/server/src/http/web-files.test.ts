import { Hono } from 'hono';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import type { Env } from './env';
import { ownHeaders } from './own-headers';
import { webFiles } from './web-files';

let root: string;
beforeAll(() => {
  root = mkdtempSync(path.join(tmpdir(), 'web-files-'));
  writeFileSync(path.join(root, 'index.html'), '<!doctype html>');
  for (const name of ['chunk-ABCDEFG1.js', 'worker-ABCDEFG1.js', 'theme.js']) {
    writeFileSync(path.join(root, name), 'export {};');
    writeFileSync(path.join(root, `${name}.br`), brotliCompressSync('export {};'));
  }
});
afterAll(() => rmSync(root, { recursive: true }));

const asked = (file: string, encoding = 'br') =>
  new Hono<Env>()
    .use(ownHeaders())
    .route('/', webFiles(root))
    .request(file, { headers: { 'accept-encoding': encoding } });

test.each(['br', 'identity'])('what has a hash in its name is kept for good, compressed or not: %s', async (encoding) => {
  const answer = await asked('/chunk-ABCDEFG1.js', encoding);
  expect(answer.headers.get('content-encoding')).toBe(encoding === 'br' ? 'br' : null);
  expect(answer.headers.get('cache-control')).toContain('immutable');
});

test.each(['/', '/theme.js', '/visits/1/look'])('%s is asked for again', async (file) =>
  expect((await asked(file)).headers.get('cache-control')).toBe('no-cache'),
);

test('a part of an earlier version is not there: no other answer is taken for it, nor is that kept', async () => {
  const answer = await asked('/chunk-ABCDEFG2.js');
  expect([answer.status, answer.headers.get('cache-control')]).toEqual([404, 'no-cache']);
});

test.each(['/', '/worker-ABCDEFG1.js', '/theme.js'])('%s says what it may do', async (file) =>
  expect((await asked(file)).headers.get('content-security-policy')).toContain("default-src 'self'"),
);

test('a part of a page says only what means something beside it', async () => {
  const { headers } = await asked('/chunk-ABCDEFG1.js');
  expect(headers.get('x-content-type-options')).toBe('nosniff');
  expect(headers.get('cross-origin-resource-policy')).toBe('same-origin');
  expect(headers.get('content-security-policy')).toBeNull();
});
