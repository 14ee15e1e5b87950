import { endpoints } from '@hygromet/contract/endpoints';
import { streamQuery, type LiveReading } from '@hygromet/contract/instrument';
import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { letSend, letSendNoMore } from '../devices/gateways';
import { Receiver } from '../devices/receiver';
import { gatewaysOf, instrumentsSince } from '../store/instrument-store';
import { ownOrganisation } from '../store/organisation-store';
import { OVERLAP_COUNT, readingsAfter, readingsSince, type Numbered } from '../store/reading-store';
import type { Deps, Env } from './env';
import { problemAnswer } from './errors';
import { body, params, query } from './valid';

const { instruments, sendReadings, gateways, addGateway, revokeGateway } = endpoints;

/** An instrument that was not heard for a day is not offered. */
const HEARD_WITHIN_MS = 86_400_000;

export const instrumentRoutes = ({ db, environment, receiver = new Receiver(db, environment) }: Deps) =>
  new Hono<Env>()
    .get(instruments.path, async (c) =>
      c.json(await instrumentsSince(db, (await ownOrganisation(db)).id, new Date(environment.now().getTime() - HEARD_WITHIN_MS))),
    )
    .post(sendReadings.path, body(sendReadings.body), async (c) => {
      const sender = await receiver.sender(c.req.header('authorization'));
      return c.json(await receiver.receive(sender, c.req.valid('json')));
    })
    .get(gateways.path, async (c) => c.json(await gatewaysOf(db, (await ownOrganisation(db)).id)))
    .post(addGateway.path, body(addGateway.body), async (c) =>
      c.json(await letSend(db, (await ownOrganisation(db)).id, c.req.valid('json'), environment), addGateway.status),
    )
    .post(revokeGateway.path, params(revokeGateway.params), async (c) => {
      const revoked = await letSendNoMore(db, (await ownOrganisation(db)).id, c.req.valid('param').id, environment);
      receiver.sendersChanged();
      return c.json(revoked);
    });

/** Of a long transfer the page gets the latest; older ones it does not draw one by one. */
const MOST_AT_START_COUNT = 30_000;
const IN_ONE_EVENT_COUNT = 2000;
/** ms: so that a page knows within seconds that nothing comes any more. */
const BEAT_EVERY_MS = 4000;
/** Readings that wait for a page that does not read: then its stream ends, and it comes back with the number of the last it has. */
const MOST_WAITING_COUNT = 50_000;

/** Readings as server-sent events; "last-event-id" goes on after what a page has, from whichever server process it was. */
export const instrumentStream = ({ db, live }: Deps) =>
  new Hono<Env>().get('/api/instruments/stream', query(streamQuery), async (c) => {
    if (live === undefined) return problemAnswer(c, { code: 'unavailable', detail: 'This server passes on no readings.' });
    const organisation = await ownOrganisation(db);
    const { instruments: names, since } = c.req.valid('query');
    const wanted = names.split(',').filter((name) => name !== '');
    const after = Number(c.req.header('last-event-id') ?? Number.NaN);
    c.header('cache-control', 'no-store');
    c.header('x-accel-buffering', 'no');
    return streamSSE(c, async (stream) => {
      let waiting: LiveReading[] = [];
      let sequence = Number.isFinite(after) ? after : 0;
      const ended = new AbortController();
      const isOpen = () => !ended.signal.aborted;
      let wake: () => void = () => undefined;
      const unsubscribe = live.subscribe(organisation.id, wanted, (heard) => {
        sequence = Math.max(sequence, heard.sequence);
        waiting.push(...heard.readings);
        if (waiting.length > MOST_WAITING_COUNT) ended.abort();
        wake();
      });
      const end = () => {
        ended.abort();
        wake();
      };
      stream.onAbort(end);
      live.signal.addEventListener('abort', end);
      try {
        const before: readonly Numbered[] = Number.isFinite(after)
          ? await readingsAfter(db, organisation.id, wanted, after - OVERLAP_COUNT, MOST_AT_START_COUNT)
          : since === undefined
            ? []
            : await readingsSince(db, organisation.id, wanted, new Date(since), MOST_AT_START_COUNT);
        sequence = Math.max(sequence, before.at(-1)?.sequence ?? 0);
        waiting = [...before.map(({ reading }) => reading), ...waiting];
        while (isOpen()) {
          const sent = waiting.splice(0, IN_ONE_EVENT_COUNT);
          // the number goes with the last of what waits: who breaks off before it gets those again
          if (sent.length > 0)
            await stream.writeSSE({
              event: 'readings',
              data: JSON.stringify(sent),
              ...(waiting.length === 0 ? { id: String(sequence) } : {}),
            });
          else await stream.writeSSE({ event: 'beat', data: '' });
          if (waiting.length === 0 && isOpen()) await untilWoken(BEAT_EVERY_MS, (entry) => (wake = entry));
        }
      } finally {
        unsubscribe();
        live.signal.removeEventListener('abort', end);
      }
    });
  });

function untilWoken(ms: number, hand: (wake: () => void) => void): Promise<void> {
  return new Promise((resolve) => {
    const timer = setTimeout(resolve, ms);
    hand(() => {
      clearTimeout(timer);
      resolve();
    });
  });
}
