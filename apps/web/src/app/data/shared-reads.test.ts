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
