import { HttpClient } from '@angular/common/http';
import { inject, Injectable, Injector } from '@angular/core';
import type { endpoints, EndpointName } from '@hygromet/contract/endpoints';
import type { Wording } from '@hygromet/contract/sentence';
import { catchError, retry, throwError, type Observable } from 'rxjs';
import type * as z from 'zod';
import { Units } from '../preferences/units.service';
import { momentText } from '../ui/day';
import { Connection } from './connection';
import { endpointPaths } from './endpoint-paths';
import { maySendAgain, onceMore } from './once-more';
import { refusalOf } from './refusal';

type Table = typeof endpoints;
type Answer<K extends EndpointName> = z.output<Table[K]['answer']>;
type Body<K extends EndpointName> = Table[K] extends { body: infer B extends z.ZodType } ? z.input<B> : undefined;

interface Call<B> {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: B;
}

/** The server's endpoints with the contract's types. An error comes as a Refusal with its sentence. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);
  private readonly connection = inject(Connection);
  private readonly injector = inject(Injector);

  call$<K extends EndpointName>(name: K, { params = {}, query = {}, body }: Call<Body<K>> = {}): Observable<Answer<K>> {
    const { method, path } = endpointPaths[name];
    const url = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
    const request = this.http.request<Answer<K>>(method, url, { params: query, ...(body === undefined ? {} : { body }) });
    const lasting = maySendAgain(method, body) ? request.pipe(retry({ delay: onceMore })) : request;
    return this.connection.watched(lasting).pipe(catchError((error: unknown) => throwError(() => refusalOf(error, () => this.wording()))));
  }

  /** Asked for when something was refused: the units need this service themselves. */
  private wording(): Wording {
    const units = this.injector.get(Units);
    return { mass: (kg) => units.massText(kg), at: momentText };
  }
}
