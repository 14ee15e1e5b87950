import {
  HttpErrorResponse,
  HttpParams,
  HttpRequest,
  HttpResponse,
  type HttpEvent,
  type HttpHandlerFn,
  type HttpInterceptorFn,
} from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { MOST_READS_COUNT } from '@hygromet/contract/reads-limit';
import type { ReadsAnswer } from '@hygromet/contract/reads';
import { defer, filter, of, share, switchMap, throwError, timer, type Observable } from 'rxjs';
import { endpointPaths } from './endpoint-paths';

type Asked = HttpRequest<unknown>;

/** What is read in one turn of the event loop: the paths, and the answer that all of them come with. */
interface Turn {
  readonly reads: Asked[];
  readonly answer$: Observable<HttpResponse<unknown>>;
}

/**
 * Gathers the reads that a page begins in one turn of the event loop into one request: a page of seven lists waits for one answer of a phone's
 * network instead of seven. A read that stands alone goes as it is.
 */
@Injectable({ providedIn: 'root' })
class ReadsTogether {
  private turn: Turn | undefined;

  read$(read: Asked, next: HttpHandlerFn): Observable<HttpEvent<unknown>> {
    return defer(() => {
      const turn = this.turn ?? this.begin(next);
      const place = turn.reads.push(read) - 1;
      if (turn.reads.length === MOST_READS_COUNT) this.turn = undefined;
      return turn.answer$.pipe(switchMap((answer) => (turn.reads.length === 1 ? of(answer) : partOf$(answer, place, read))));
    });
  }

  private begin(next: HttpHandlerFn): Turn {
    const reads: Asked[] = [];
    const answer$ = timer(0).pipe(
      switchMap(() => {
        if (this.turn === turn) this.turn = undefined;
        return next(oneOf(reads));
      }),
      filter((event) => event instanceof HttpResponse),
      share(), // given up by all who asked, it is given up
    );
    const turn = { reads, answer$ };
    this.turn = turn;
    return turn;
  }
}

function oneOf(reads: readonly Asked[]): Asked {
  const [alone] = reads;
  if (alone !== undefined && reads.length === 1) return alone;
  const { path } = endpointPaths.reads;
  return new HttpRequest('GET', path, { params: new HttpParams({ fromObject: { of: reads.map(({ urlWithParams }) => urlWithParams) } }) });
}

/** The answer to one of them, as it would have come alone. */
function partOf$(answer: HttpResponse<unknown>, place: number, { urlWithParams: url }: Asked): Observable<HttpResponse<unknown>> {
  const part = (answer.body as ReadsAnswer)[place]; // as the server's contract says
  const { status, body } = part ?? { status: 0, body: null };
  const isGood = status >= 200 && status < 300;
  return isGood ? of(new HttpResponse({ body, status, url })) : throwError(() => new HttpErrorResponse({ error: body, status, url }));
}

/** Reads of the interface that answer with JSON go together. */
export const readsTogether: HttpInterceptorFn = (request, next) => {
  const together = request.method === 'GET' && request.responseType === 'json' && request.url.startsWith('/api/');
  return together ? inject(ReadsTogether).read$(request, next) : next(request);
};
