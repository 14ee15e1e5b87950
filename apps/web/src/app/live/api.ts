import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { endpoints, EndpointName } from '@hygromet/contract/endpoints';
import { catchError, identity, retry, throwError, timer, type Observable } from 'rxjs';
import type * as z from 'zod';
import { endpointPaths } from './endpoint-paths';
import { refusalOf } from './refusal';

type Table = typeof endpoints;
type Answer<K extends EndpointName> = z.output<Table[K]['answer']>;
type Body<K extends EndpointName> = Table[K] extends { body: infer B extends z.ZodType } ? z.input<B> : undefined;

/** A question may be asked once more when the database comes back; a booking is sent again by the person, with its key. */
const onceMore = (error: unknown) =>
  error instanceof HttpErrorResponse && error.status === 503 ? timer(RETRY_MS) : throwError(() => error);
const RETRY_MS = 2000;

interface Call<B> {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: B;
}

/** The server's endpoints with the contract's types. An error comes as a Refusal with its sentence. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  call$<K extends EndpointName>(name: K, { params = {}, query = {}, body }: Call<Body<K>> = {}): Observable<Answer<K>> {
    const { method, path } = endpointPaths[name];
    const url = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
    return this.http.request<Answer<K>>(method, url, { params: query, ...(body === undefined ? {} : { body }) }).pipe(
      method === 'get' ? retry({ count: 1, delay: onceMore }) : identity,
      catchError((error: unknown) => throwError(() => refusalOf(error))),
    );
  }
}
