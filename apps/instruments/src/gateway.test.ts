import { createServer, type Server } from 'node:http';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Gateway } from './gateway';

/** A server that takes packs over HTTP, knows nobody at first, and can be out of reach. */
interface Fake {
  readonly url: string;
  readonly packs: unknown[][];
  answer: 'as-usual' | 'unavailable' | 'unknown';
  tokens: number;
}

let server: Server;
let fake: Fake;
let folder: string;
beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'hygromet-gateway-'));
  server = createServer((request, response) => {
    let text = '';
    request.on('data', (chunk: Buffer) => (text += chunk.toString()));
    request.on('end', () => {
      const send = (status: number, body: object) =>
        response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
      if (request.url === '/api/gateways')
        return send(201, {
          id: '9d5625e2-5591-47e5-950c-1cdc58ff2e8f',
          name: 'Simulated instruments',
          addedAt: '2026-11-29T12:00:00Z',
          addedBy: 'Hygromet',
          revokedAt: null,
          token: `token-number-${++fake.tokens}-of-them`,
        });
      // no WebSocket here
      if (request.url === '/api/instruments/socket') return send(404, {});
      if (fake.answer === 'unavailable') return send(503, {});
      if (fake.answer === 'unknown') {
        fake.answer = 'as-usual';
        return send(401, {});
      }
      fake.packs.push(JSON.parse(text) as unknown[]);
      return send(200, { stored: 1, repeated: 0, problems: [] });
    });
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  fake = { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, packs: [], answer: 'as-usual', tokens: 0 };
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
  rmSync(folder, { recursive: true });
});

const tokenFile = () => path.join(folder, 'token');
const reading = (v: number) => [{ n: 'urn:dev:ser:s:gross', v }];
async function until(done: () => boolean): Promise<void> {
  for (let k = 0; k < 200 && !done(); k++) await new Promise((resolve) => setTimeout(resolve, 20));
  expect(done()).toBe(true);
}

test('it asks for a token once and keeps it for the next start', async () => {
  const gateway = new Gateway(fake.url, tokenFile());
  gateway.send(reading(1));
  await until(() => fake.packs.length === 1);
  expect(readFileSync(tokenFile(), 'utf8')).toBe('token-number-1-of-them');
  const again = new Gateway(fake.url, tokenFile());
  again.send(reading(2));
  await until(() => fake.packs.length === 2);
  expect(fake.tokens).toBe(1);
});

test('what could not be sent is sent later, in its order, and nothing is lost', async () => {
  const gateway = new Gateway(fake.url, tokenFile());
  fake.answer = 'unavailable';
  for (const v of [1, 2, 3]) gateway.send(reading(v));
  await until(() => gateway.waiting === 3);
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(fake.packs).toEqual([]);
  fake.answer = 'as-usual';
  gateway.send(reading(4));
  await until(() => gateway.waiting === 0);
  expect(fake.packs.flat().map((record) => (record as { v: number }).v)).toEqual([1, 2, 3, 4]);
});

test('a token that is known no more is asked for anew', async () => {
  const gateway = new Gateway(fake.url, tokenFile());
  gateway.send(reading(1));
  await until(() => fake.packs.length === 1);
  fake.answer = 'unknown';
  gateway.send(reading(2));
  await new Promise((resolve) => setTimeout(resolve, 100));
  gateway.send(reading(3));
  await until(() => fake.packs.flat().length === 3);
  expect(fake.tokens).toBe(2);
});
