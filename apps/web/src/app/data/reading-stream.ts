import type { LiveReading } from '@hygromet/contract/instrument';
import { Observable } from 'rxjs';

/** What a stream of readings brings: readings, or that the connection came or went. */
export type FromStream =
  | { readonly kind: 'readings'; readonly readings: readonly LiveReading[] }
  | { readonly kind: 'connected' }
  | { readonly kind: 'lost' };

/** The server beats every 4 s: after this many milliseconds of silence the connection counts as lost. */
const SILENT_MS = 10_000;

/**
 * Readings of some instruments since an instant, and from then on as they come. The browser connects again by itself and names the last event
 * that it has, so that nothing is lost; what comes twice has the same instrument, quantity and time.
 */
export const readings$ = (instruments: readonly string[], since: string): Observable<FromStream> =>
  new Observable((subscriber) => {
    const query = new URLSearchParams({ instruments: instruments.join(','), since });
    let source: EventSource | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let closed = false;
    const alive = () => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        subscriber.next({ kind: 'lost' });
        // a connection that says nothing is one that only seems to be there
        open();
      }, SILENT_MS);
    };
    const open = () => {
      source?.close();
      if (closed) return;
      source = new EventSource(`/api/instruments/stream?${query.toString()}`);
      source.addEventListener('open', () => {
        alive();
        subscriber.next({ kind: 'connected' });
      });
      source.addEventListener('readings', ({ data }: MessageEvent<string>) => {
        alive();
        subscriber.next({ kind: 'readings', readings: JSON.parse(data) as LiveReading[] }); // the server sends what the contract says
      });
      source.addEventListener('beat', alive);
      source.addEventListener('error', () => {
        subscriber.next({ kind: 'lost' });
        // refused rather than cut off: the browser does not try again by itself
        if (source?.readyState === EventSource.CLOSED) {
          clearTimeout(timer);
          timer = setTimeout(open, 2000);
        }
      });
      alive();
    };
    // the device knows before the stream does
    const offline = () => {
      clearTimeout(timer);
      source?.close();
      subscriber.next({ kind: 'lost' });
    };
    addEventListener('offline', offline);
    addEventListener('online', open);
    open();
    return () => {
      closed = true;
      removeEventListener('offline', offline);
      removeEventListener('online', open);
      clearTimeout(timer);
      source?.close();
    };
  });
