import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { endpoints, EndpointName } from '@hygromet/contract/endpoints';
import { map, type Observable } from 'rxjs';
import type * as z from 'zod';
import { endpointPaths } from './endpoint-paths';

type Table = typeof endpoints;
type Answer<K extends EndpointName> = z.output<Table[K]['answer']>;
type Body<K extends EndpointName> = Table[K] extends { body: infer B extends z.ZodType } ? z.input<B> : undefined;

interface Call<B> {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: B;
}

/** The server's endpoints with the contract's types. An error comes as a ApiError with its sentence. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  call$<K extends EndpointName>(name: K, { params = {}, query = {}, body }: Call<Body<K>> = {}): Observable<Answer<K>> {
    const { method, path } = endpointPaths[name];
    const url = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
    return this.http.request<Answer<K>>(method, url, { params: query, ...(body === undefined ? {} : { body }) });
  }

  /** What is no JSON, as it is. */
  bytes$(url: string): Observable<Uint8Array> {
    return this.http.get(url, { responseType: 'arraybuffer' }).pipe(map((buffer) => new Uint8Array(buffer)));
  }
}
