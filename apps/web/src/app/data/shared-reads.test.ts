import { of, Subject, throwError } from 'rxjs';
import { SharedReads } from './shared-reads';

type Kind = 'cylinders' | 'systems';

/** A list that counts how often it is read. */
function counted() {
  const reads = new SharedReads<Kind>();
  let count = 0;
  const list$ = reads.of$('list', ['cylinders'], () => of(++count));
  return { reads, list$, count: () => count };
}

test('two parts of a page cause one request, and the second gets what is there already', () => {
  const { list$, count } = counted();
  const seen: number[] = [];
  list$.subscribe((value) => seen.push(value));
  list$.subscribe((value) => seen.push(10 * value));
  expect([count(), seen]).toEqual([1, [1, 10]]);
});

test('what changed is read anew, once for all who look; what did not change is not', () => {
  const { reads, list$, count } = counted();
  const seen: number[] = [];
  list$.subscribe((value) => seen.push(value));
  list$.subscribe();
  reads.changed(['systems']);
  expect(count()).toBe(1);
  reads.changed(['cylinders', 'systems']);
  reads.changed('all');
  expect([count(), seen]).toEqual([3, [1, 2, 3]]);
});

test('what nobody looks at is let go: whoever comes later reads it as it is then', () => {
  const { reads, list$, count } = counted();
  list$.subscribe().unsubscribe();
  reads.changed(['cylinders']);
  expect(count()).toBe(1);
  list$.subscribe();
  expect(count()).toBe(2);
});

test('a read that failed is read again by whoever subscribes again', () => {
  const reads = new SharedReads<Kind>();
  let works = false;
  const list$ = reads.of$('list', ['cylinders'], () => (works ? of('there') : throwError(() => new Error('gone'))));
  const said: string[] = [];
  list$.subscribe({ error: ({ message }: Error) => said.push(message) });
  works = true;
  list$.subscribe((value) => said.push(value));
  expect(said).toEqual(['gone', 'there']);
});

test('an answer that a change has overtaken is dropped', () => {
  const reads = new SharedReads<Kind>();
  const answers = [new Subject<string>(), new Subject<string>()];
  let k = 0;
  const seen: string[] = [];
  reads.of$('list', ['cylinders'], () => answers[k++]!).subscribe((value) => seen.push(value));
  reads.changed('all');
  answers[0]!.next('old');
  answers[1]!.next('new');
  expect(seen).toEqual(['new']);
});

describe('a change', () => {
  const ended = (reads: SharedReads<Kind>, changed: readonly Kind[] | 'all' = ['cylinders']) => {
    let isOver = false;
    reads.changed(changed).subscribe(() => (isOver = true));
    return () => isOver;
  };

  test('is over when what is looked at has been read anew; what it does not touch is not waited for', () => {
    const reads = new SharedReads<Kind>();
    const [answer$, other$] = [new Subject<string>(), new Subject<string>()];
    reads.of$('list', ['cylinders'], () => answer$).subscribe();
    reads.of$('systems', ['systems'], () => other$).subscribe();
    answer$.next('before');
    const isOver = ended(reads);
    expect(isOver()).toBe(false);
    answer$.next('after');
    expect(isOver()).toBe(true);
  });

  test('is over at once where nobody looks, and also when it cannot be read or is looked at no more', () => {
    const reads = new SharedReads<Kind>();
    expect(ended(reads)()).toBe(true);
    const answers = Array.from({ length: 4 }, () => new Subject<string>());
    let k = 0;
    const look = () => reads.of$('list', ['cylinders'], () => answers[k++]!).subscribe({ error: () => undefined });
    const looking = look();
    const isGone = ended(reads);
    expect(isGone()).toBe(false);
    looking.unsubscribe();
    expect(isGone()).toBe(true);
    look();
    const isRefused = ended(reads, 'all');
    expect(isRefused()).toBe(false);
    answers[k - 1]!.error(new Error('gone'));
    expect(isRefused()).toBe(true);
  });

  test('is not held up for long by what does not answer', () => {
    jest.useFakeTimers();
    const reads = new SharedReads<Kind>();
    reads.of$('list', ['cylinders'], () => new Subject()).subscribe();
    const isOver = ended(reads);
    jest.advanceTimersByTime(1900);
    expect(isOver()).toBe(false);
    jest.advanceTimersByTime(200);
    expect(isOver()).toBe(true);
    jest.useRealTimers();
  });
});
