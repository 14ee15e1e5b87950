import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Movement } from '@hygromet/contract/movement';
import { firstValueFrom, of, tap, throwError } from 'rxjs';
import { aMovement, render, stage } from '../../../test/scene';
import { BookPage } from '../book/book.page';
import { valueOf } from '../ui/loadable';
import { everyMovement$, ledger } from './ledger';
import { ApiError } from './api-error';
import { ServerData } from './server-data.service';

/** A ledger of so many entries, the newest first. */
const entries = (count: number): Movement[] => Array.from({ length: count }, (_, k) => aMovement({ id: `m${k}`, note: `entry ${k}` }));
const answered = async () => {
  for (let k = 0; k < 4; k++) {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve));
  }
};

test('the newest are read first, older ones when they are asked for, until there are no more', async () => {
  const asked: [number, string | undefined][] = [];
  const movements$ = (limit: number, { account }: { account?: string }) => {
    asked.push([limit, account]);
    return of(entries(720).slice(0, limit));
  };
  stage({ serverData: { movements$ } });
  const book = TestBed.runInInjectionContext(() => ledger({ account: 'c7' }));
  await answered();
  expect(book.more()).toBe(true);
  book.readMore();
  await answered();
  expect(asked).toEqual([
    [500, 'c7'],
    [1000, 'c7'],
  ]);
  const loaded = book.entries();
  expect(loaded.state === 'ready' && loaded.value).toHaveLength(720);
  expect(book.more()).toBe(false);
});

test('a search is asked of the server once after the typing, from the newest again; what was found before stays until then', async () => {
  const asked: string[] = [];
  const movements$ = (limit: number, { text }: { text: string }) => {
    asked.push(`${limit} ${text}`);
    return of(text === '' ? entries(900).slice(0, limit) : entries(3));
  };
  stage({ serverData: { movements$ } });
  const words = signal('');
  const book = TestBed.runInInjectionContext(() => ledger({ text: words }));
  const count = () => valueOf(book.entries())?.length;
  await answered();
  book.readMore();
  await answered();
  words.set(' hos');
  await answered();
  words.set('hose ');
  await answered();
  expect([count(), book.foundBy()]).toEqual([900, '']);
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect([count(), book.foundBy(), book.more()]).toEqual([3, 'hose', false]);
  expect(asked).toEqual(['500 ', '1000 ', '500 hose']);
});

test('an export reads page after page, each from the oldest of the one before, and leaves nothing out', async () => {
  const all = entries(12_345);
  const after = (id: string | undefined) => (id === undefined ? 0 : all.findIndex((entry) => entry.id === id) + 1);
  const texts = new Set<string>();
  const movements$ = (limit: number, { text }: { text: string }) => of(all.slice(0, limit)).pipe(tap(() => texts.add(text)));
  const olderMovements$ = (before: string, limit: number, { text }: { text: string }) =>
    of(all.slice(after(before), after(before) + limit)).pipe(tap(() => texts.add(text)));
  stage({ serverData: { movements$, olderMovements$ } });
  const read = await firstValueFrom(everyMovement$(TestBed.inject(ServerData), 'hose'));
  expect(read.map(({ id }) => id)).toEqual(all.map(({ id }) => id));
  expect([...texts]).toEqual(['hose']);
});

describe('the book', () => {
  test('tells how many entries there are, and what a search found in all of it', async () => {
    const accounts = [
      { id: 'a', kind: 'supplier', name: 'Supplier', massKg: -5, composition: null, movements: 900 },
      { id: 'b', kind: 'cylinder', name: 'C-07', massKg: 5, composition: null, movements: 900 },
    ];
    const found: Record<string, number> = { '': 900, 'entry 1': 700, 'entry 89': 1, nobody: 0 };
    const movements$ = (limit: number, { text }: { text: string }) => of(entries(found[text] ?? 0).slice(0, limit));
    stage({ serverData: { movements$, accounts$: of(accounts) } });
    const { text, type, press, root } = await render(BookPage);
    const rows = () => root.querySelectorAll('tbody tr').length;
    const search = async (words: string) => {
      await type('Find an entry', words);
      await new Promise((resolve) => setTimeout(resolve, 300));
      await answered();
    };
    expect(text()).toContain('900 entries · ledger balance 0.0 lb');
    expect(rows()).toBe(500);
    await search('entry 1');
    expect(text()).toContain('The newest 500 entries with “entry 1”.');
    await press('Show older entries');
    await new Promise((resolve) => setTimeout(resolve, 300));
    await answered();
    expect(rows()).toBe(700);
    await search('entry 89');
    expect(text()).toContain('One entry with “entry 89”.');
    await search('nobody');
    expect(text()).toContain('No entry with “nobody” in the whole book.');
    expect(rows()).toBe(0);
  });

  test('a search that failed is no search that found nothing', async () => {
    const movements$ = (_: number, { text }: { text: string }) =>
      text === '' ? of(entries(3)) : throwError(() => new ApiError('offline', 'The server did not answer.'));
    stage({ serverData: { movements$ } });
    const { text, type } = await render(BookPage);
    await type('Find an entry', 'hose');
    await new Promise((resolve) => setTimeout(resolve, 300));
    await answered();
    expect(text()).toContain('The server did not answer.');
    expect(text()).not.toContain('No entry with');
  });

  test('an unreachable server is said', async () => {
    const failing = throwError(() => new ApiError('offline', 'x'));
    stage({ serverData: { movements$: () => failing, accounts$: failing } });
    expect((await render(BookPage)).text()).toContain('The book cannot be read now.');
  });
});
