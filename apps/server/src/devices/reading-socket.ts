import { senmlPack } from '@hygromet/contract/instrument';
import type { ServerType } from '@hono/node-server';
import type { IncomingMessage } from 'node:http';
import type { Duplex } from 'node:stream';
import type { Logger } from 'pino';
import { WebSocketServer, type RawData, type WebSocket } from 'ws';
import { isOwnName } from '../http/own-house';
import type { Sender } from '../store/instrument-store';
import type { Receiver } from './receiver';

export const SOCKET_PATH = '/api/instruments/socket';
/** Messages of one gateway that wait; then it is not read any further until some are stored. */
const MOST_WAITING_COUNT = 40;
const LARGEST_BYTES = 1024 * 1024;

/**
 * Readings over a WebSocket: each message is a SenML pack and is answered by one, in their order, once it is stored. For programs with a
 * token; a page of somebody else in a browser has an origin, and is refused.
 * @returns what closes it
 */
export function readingSocket(server: ServerType, receiver: Receiver, log: Logger): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: LARGEST_BYTES });
  server.on('upgrade', (request: IncomingMessage, connection: Duplex, head: Buffer) => {
    connection.on('error', () => connection.destroy());
    void welcome(request).then((sender) => {
      if (typeof sender === 'string') connection.end(`HTTP/1.1 ${sender}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`);
      else sockets.handleUpgrade(request, connection, head, (socket) => attend(socket, sender));
    });
  });

  async function welcome({ url, headers }: IncomingMessage): Promise<Sender | string> {
    if (url?.split('?')[0] !== SOCKET_PATH) return '404 Not Found';
    if (headers.origin !== undefined || !isOwnName(headers.host)) return '403 Forbidden';
    try {
      return await receiver.sender(headers.authorization);
    } catch {
      return '401 Unauthorized';
    }
  }

  function attend(socket: WebSocket, sender: Sender): void {
    let waiting = 0;
    let last: Promise<void> = Promise.resolve();
    socket.on('error', (error) => log.warn({ reason: error.message }, 'a gateway broke off'));
    socket.on('message', (data) => {
      if (++waiting > MOST_WAITING_COUNT) socket.pause();
      last = last.then(async () => {
        const said = await answer(sender, data);
        if (socket.readyState === socket.OPEN) socket.send(JSON.stringify(said));
        if (--waiting < MOST_WAITING_COUNT / 2) socket.resume();
      });
    });
  }

  async function answer(sender: Sender, data: RawData): Promise<object> {
    const pack = senmlPack.safeParse(parsed(textOf(data)));
    if (!pack.success) return { code: 'invalid-input', detail: pack.error.issues[0]?.message ?? 'This is no SenML.' };
    try {
      return await receiver.receive(sender, pack.data);
    } catch (error) {
      log.warn({ err: error }, 'readings were not stored');
      return { code: 'unavailable', detail: 'Nothing of it was stored: send it again in a few seconds.' };
    }
  }

  return () => {
    for (const socket of sockets.clients) socket.close(1001);
    sockets.close();
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** What came over a socket, as text: in one piece, or in several. */
const textOf = (data: RawData): string =>
  (Array.isArray(data) ? Buffer.concat(data) : data instanceof ArrayBuffer ? Buffer.from(data) : data).toString('utf8');
