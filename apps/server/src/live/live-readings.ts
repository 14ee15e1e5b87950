import type { LiveReading } from '@hygromet/contract/instrument';
import { setMaxListeners } from 'node:events';
import pg from 'pg';
import type { Logger } from 'pino';
import type { Db } from '../store/database';
import { OVERLAP_COUNT, readingsBetween, READINGS_CHANNEL } from '../store/reading-store';

export interface Heard {
  /** Number of the last of them. */
  readonly sequence: number;
  readonly readings: readonly LiveReading[];
}

interface Listener {
  readonly organisationId: string;
  readonly instruments: ReadonlySet<string>;
  readonly hear: (heard: Heard) => void;
}

const AGAIN_MS = 1000;
/**
 * What any server process has stored reaches the pages of this one: PostgreSQL says which numbers came in, they are read once, and given to
 * whoever listens to their instruments.
 */
export class LiveReadings {
  private readonly listeners = new Set<Listener>();
  private client: pg.Client | undefined;
  private last: number | undefined;
  private ranges: (readonly [number, number])[] = [];
  private reading = false;
  private stopped = false;
  private readonly ended = new AbortController();

  constructor(
    private readonly db: Db,
    private readonly url: string,
    private readonly log: Logger,
  ) {
    // each page that watches listens to it
    setMaxListeners(0, this.ended.signal);
    void this.listen();
  }

  /** Aborted when the server stops: streams end then. */
  get signal(): AbortSignal {
    return this.ended.signal;
  }

  subscribe(organisationId: string, instruments: readonly string[], hear: (heard: Heard) => void): () => void {
    const listener = { organisationId, instruments: new Set(instruments), hear };
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async stop(): Promise<void> {
    this.stopped = true;
    this.ended.abort();
    await this.client?.end().catch(() => undefined);
  }

  private async listen(): Promise<void> {
    const client = new pg.Client({ connectionString: this.url, application_name: 'hygromet live', connectionTimeoutMillis: 5000 });
    this.client = client;
    const lost = (error?: Error) => {
      if (this.client !== client || this.stopped) return;
      this.client = undefined;
      this.log.warn({ reason: error?.message }, 'listening to readings broke off');
      client.removeAllListeners('notification');
      client.end().catch(() => undefined);
      setTimeout(() => void this.listen(), AGAIN_MS).unref();
    };
    client.on('error', lost);
    client.on('end', () => lost());
    client.on('notification', ({ payload }) => this.told(payload));
    try {
      await client.connect();
      await client.query(`listen ${READINGS_CHANNEL}`);
      if (this.last !== undefined) this.enqueue([this.last - OVERLAP_COUNT, Number.MAX_SAFE_INTEGER]);
    } catch (error) {
      lost(error as Error); // what pg rejects with is an error
    }
  }

  private told(payload: string | undefined): void {
    const [from, to] = (payload ?? '').split(' ').map(Number);
    if (from === undefined || to === undefined || !Number.isFinite(from) || !Number.isFinite(to)) return;
    this.last = Math.max(this.last ?? 0, to);
    if (this.listeners.size > 0) this.enqueue([from, to]);
  }

  private enqueue(range: readonly [number, number]): void {
    this.ranges.push(range);
    void this.read();
  }

  /** One read at a time, of all that was told meanwhile. */
  private async read(): Promise<void> {
    if (this.reading) return;
    this.reading = true;
    try {
      while (this.ranges.length > 0) {
        const values = this.ranges;
        this.ranges = [];
        await this.pass(Math.min(...values.map(([from]) => from)), Math.max(...values.map(([, to]) => to)));
      }
    } catch (error) {
      this.log.warn({ err: error }, 'readings could not be passed on');
    } finally {
      this.reading = false;
    }
  }

  private async pass(from: number, to: number): Promise<void> {
    const numbered = await readingsBetween(this.db, from, to);
    const sequence = numbered.at(-1)?.sequence;
    if (sequence === undefined) return;
    for (const { organisationId, instruments, hear } of this.listeners) {
      const readings = numbered
        .filter((numbered) => numbered.organisationId === organisationId && instruments.has(numbered.reading[0]))
        .map(({ reading }) => reading);
      if (readings.length > 0) hear({ sequence, readings });
    }
  }
}
