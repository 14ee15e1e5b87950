import { addedGateway, receivedReadings } from '@hygromet/contract/instrument';
import type { SenmlRecord } from '@hygromet/core/instruments/senml';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import WebSocket from 'ws';

/** Packs that are kept while the server cannot be reached: an hour of them. */
const MOST_KEPT = 7200;
const AT_ONCE = 20;
const WITHIN_MS = 5000;
const UNAUTHORISED = 401;

/**
 * Passes readings on as a gateway in a van would: over a WebSocket while there is one, else over HTTP, and later what could not be sent. Its
 * token is kept in a file of its own.
 */
export class Gateway {
  private kept: SenmlRecord[][] = [];
  private sending = false;
  private socket: WebSocket | undefined;
  private token: string | undefined;

  constructor(
    private readonly server: string,
    private readonly tokenFile: string,
  ) {}

  /** Packs that wait to be sent. */
  get waiting(): number {
    return this.kept.length;
  }

  send(pack: SenmlRecord[]): void {
    this.kept.push(pack);
    if (this.kept.length > MOST_KEPT) this.kept.shift();
    void this.flush();
  }

  close(): void {
    this.socket?.close();
  }

  private async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    try {
      while (this.kept.length > 0) {
        const batch = this.kept.slice(0, AT_ONCE);
        await this.pass(batch.map(standingAlone).flat());
        this.kept = this.kept.slice(batch.length);
      }
    } catch {
      // the server is not there for the moment: what was read is kept, and the next reading tries again
    } finally {
      this.sending = false;
    }
  }

  private async pass(records: readonly SenmlRecord[]): Promise<void> {
    const token = await this.known();
    const socket = await this.connected(token).catch(() => undefined);
    if (socket !== undefined) return overSocket(socket, records);
    const response = await fetch(`${this.server}/api/instruments/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/senml+json', authorization: `Bearer ${token}` },
      body: JSON.stringify(records),
      signal: AbortSignal.timeout(WITHIN_MS),
    });
    if (response.status === UNAUTHORISED) this.forget();
    if (!response.ok) throw new Error(`the server answers ${response.status}`);
    receivedReadings.parse(await response.json());
  }

  /** The token of this gateway: as it was kept, else the server is asked to let it send. */
  private async known(): Promise<string> {
    if (this.token === undefined && existsSync(this.tokenFile)) this.token = readFileSync(this.tokenFile, 'utf8').trim();
    if (this.token !== undefined && this.token !== '') return this.token;
    const response = await fetch(`${this.server}/api/gateways`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Simulated instruments', recordedBy: 'Hygromet' }),
      signal: AbortSignal.timeout(WITHIN_MS),
    });
    if (!response.ok) throw new Error(`the server answers ${response.status}`);
    const { token } = addedGateway.parse(await response.json());
    writeFileSync(this.tokenFile, token, { mode: 0o600 });
    this.token = token;
    return token;
  }

  private forget(): void {
    this.token = undefined;
    writeFileSync(this.tokenFile, '', { mode: 0o600 });
  }

  private connected(token: string): Promise<WebSocket> {
    const open = this.socket;
    if (open?.readyState === WebSocket.OPEN) return Promise.resolve(open);
    return new Promise((resolve, reject) => {
      const socket = new WebSocket(`${this.server.replace(/^http/, 'ws')}/api/instruments/socket`, {
        headers: { authorization: `Bearer ${token}` },
        handshakeTimeout: WITHIN_MS,
      });
      socket.once('open', () => {
        this.socket = socket;
        resolve(socket);
      });
      socket.on('error', reject);
      socket.once('close', () => {
        if (this.socket === socket) this.socket = undefined;
      });
    });
  }
}

/** A pack is answered by one message: what was stored. */
function overSocket(socket: WebSocket, records: readonly SenmlRecord[]): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => {
      socket.terminate();
      reject(new Error('the server does not answer'));
    }, WITHIN_MS);
    const end = (error?: Error) => {
      clearTimeout(timer);
      socket.off('message', answered);
      socket.off('close', closed);
      if (error === undefined) resolve();
      else reject(error);
    };
    const answered = (data: WebSocket.RawData) => {
      const said: unknown = JSON.parse(textOf(data));
      end(receivedReadings.safeParse(said).success ? undefined : new Error('the server refused a pack'));
    };
    const closed = () => end(new Error('the server closed the connection'));
    socket.on('message', answered);
    socket.once('close', closed);
    socket.send(JSON.stringify(records));
  });
}

/** Base fields of one pack do not reach into the next. */
const standingAlone = ([first, ...others]: SenmlRecord[]): SenmlRecord[] =>
  first === undefined ? [] : [{ bn: '', bt: 0, ...first }, ...others];

/** What came over a socket, as text: in one piece, or in several. */
const textOf = (data: WebSocket.RawData): string =>
  (Array.isArray(data) ? Buffer.concat(data) : data instanceof ArrayBuffer ? Buffer.from(data) : data).toString('utf8');
