import { computed, inject, linkedSignal, signal, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MOST_MOVEMENTS_COUNT, USUAL_MOVEMENTS_COUNT } from '@hygromet/contract/ledger-page';
import type { Movement } from '@hygromet/contract/movement';
import { debounce, EMPTY, expand, filter, map, of, reduce, switchMap, take, timer, type Observable } from 'rxjs';
import { valueOf, waiting, type Loadable } from '../ui/loadable';
import { serverReader } from './from-server';
import { ServerData } from './server-data.service';

/** ms without a key before a search is sent. */
const TYPING_PAUSE_MS = 250;

export interface Ledger {
  readonly entries: Signal<Loadable<readonly Movement[]>>;
  /** What stands in the place of entries while there are none. */
  readonly none: Signal<string>;
  /** The words that the entries were looked for by; behind what is typed until the answer is there. */
  readonly foundBy: Signal<string>;
  /** Whether there may be older ones to ask for. */
  readonly more: Signal<boolean>;
  readonly readMore: () => void;
}

/** Which entries are wanted: of one account, with these words; all without. */
export interface WantedEntries {
  readonly account?: string;
  readonly text?: Signal<string>;
}

/** The newest entries of the ledger, and older ones when they are asked for. Call it where things may be injected. */
export function ledger({ account, text: typed = signal('') }: WantedEntries = {}): Ledger {
  const serverData = inject(ServerData);
  const loaded$ = serverReader();
  const text = computed(() => typed().trim());
  const limit = linkedSignal({ source: text, computation: () => USUAL_MOVEMENTS_COUNT });
  const wanted = computed(() => ({ text: text(), limit: limit() }));
  const read$ = ({ text, limit }: { text: string; limit: number }) =>
    loaded$(serverData.movements$(limit, { account, text })).pipe(map((entries) => ({ entries, text, limit })));
  const read = toSignal(
    toObservable(wanted).pipe(
      debounce(({ text }) => (text === '' ? of(0) : timer(TYPING_PAUSE_MS))),
      switchMap(read$),
      filter(({ entries }, index) => index === 0 || entries.state !== 'waiting'), // what was found stays until the next is there
    ),
    { initialValue: { entries: waiting, text: '', limit: USUAL_MOVEMENTS_COUNT } },
  );
  return {
    entries: computed(() => read().entries),
    none: computed(() => noneWords(read().entries)),
    foundBy: computed(() => read().text),
    more: computed(() => (valueOf(read().entries)?.length ?? 0) === read().limit && read().limit < MOST_MOVEMENTS_COUNT),
    readMore: () => limit.update((before) => Math.min(MOST_MOVEMENTS_COUNT, before + USUAL_MOVEMENTS_COUNT)),
  };
}

function noneWords(entries: Loadable<unknown>): string {
  if (entries.state === 'waiting') return $localize`Reading the ledger`;
  return entries.state === 'failed' ? entries.sentence : $localize`Nothing is booked yet.`;
}

/** All entries with these words, however many: page by page until one is not full. */
export const everyMovement$ = (serverData: ServerData, text: string): Observable<Movement[]> =>
  serverData.movements$(MOST_MOVEMENTS_COUNT, { text }).pipe(
    take(1),
    expand((page) => {
      const oldest = page.length < MOST_MOVEMENTS_COUNT ? undefined : page.at(-1);
      return oldest === undefined ? EMPTY : serverData.olderMovements$(oldest.id, MOST_MOVEMENTS_COUNT, { text });
    }),
    reduce<Movement[], Movement[]>((all, page) => [...all, ...page], []),
  );
