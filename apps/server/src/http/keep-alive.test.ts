import { Agent, get, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { serve, type ServerType } from '@hono/node-server';
import { closeGently, keepAlive } from './keep-alive';

async function listening(answer: () => Promise<Response>): Promise<{ server: ServerType; url: string }> {
  return new Promise((resolve) => {
    const server = serve({ fetch: answer, port: 0, hostname: '127.0.0.1' }, (address: AddressInfo) =>
      resolve({ server, url: `http://127.0.0.1:${address.port}/` }),
    );
    keepAlive(server);
  });
}

async function ask(url: string, agent: Agent): Promise<{ keepAlive: string; body: string }> {
  return new Promise((resolve, reject) => {
    get(url, { agent }, (response: IncomingMessage) => {
      let body = '';
      response.on('data', (chunk: Buffer) => (body += chunk.toString()));
      response.on('end', () => resolve({ keepAlive: String(response.headers['keep-alive']), body }));
    }).on('error', reject);
  });
}

test('the server keeps an idle connection longer than a minute, and says so', async () => {
  const agent = new Agent({ keepAlive: true });
  const { server, url } = await listening(() => Promise.resolve(new Response('yes')));
  const seconds = Number(/timeout=(\d+)/.exec((await ask(url, agent)).keepAlive)?.[1]);
  expect(seconds).toBeGreaterThan(60);
  await new Promise<void>((done) => closeGently(server, done));
});

test('stopping lets the open request finish, and does not wait for a client that keeps its connection', async () => {
  const agent = new Agent({ keepAlive: true });
  let release = (): void => undefined;
  let begun = (): void => undefined;
  const arrived = new Promise<void>((resolve) => (begun = resolve));
  const { server, url } = await listening(async () => {
    begun();
    await new Promise<void>((resolve) => (release = resolve));
    return new Response('finished');
  });
  const answer = ask(url, agent);
  await arrived;
  const stopped = new Promise<void>((done) => closeGently(server, done));
  release();
  expect((await answer).body).toBe('finished');
  await stopped; // would wait 75 s for the kept connection otherwise, longer than a test may take
});
