import { HttpErrorResponse, provideHttpClient, withInterceptors, HttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { MOST_READS_COUNT } from '@hygromet/contract/reads-limit';
import { readsTogether } from './reads-together';

const turn = () => new Promise((resolve) => setTimeout(resolve, 2));

beforeEach(() =>
  TestBed.configureTestingModule({ providers: [provideHttpClient(withInterceptors([readsTogether])), provideHttpClientTesting()] }),
);
const http = () => TestBed.inject(HttpTestingController);

/** Reads, and keeps what comes. */
function reading(url: string) {
  const seen: unknown[] = [];
  const subscription = TestBed.inject(HttpClient)
    .get(url)
    .subscribe({ next: (body) => seen.push(body), error: (error: HttpErrorResponse) => seen.push(error.status) });
  return { seen, giveUp: () => subscription.unsubscribe() };
}
const request = () => http().expectOne(({ url }) => url === '/api/reads');

test('what is read in one turn is one request, and each gets its own answer', async () => {
  const [systems, cylinders] = [reading('/api/systems'), reading('/api/cylinders')];
  await turn();
  const asked = request();
  expect(asked.request.params.getAll('of')).toEqual(['/api/systems', '/api/cylinders']);
  asked.flush([
    { status: 200, body: ['a system'] },
    { status: 404, body: { code: 'not-found' } },
  ]);
  expect([systems.seen, cylinders.seen]).toEqual([[['a system']], [404]]);
});

test('what is read alone, and what is read later, goes as it is', async () => {
  const first = reading('/api/systems');
  await turn();
  http().expectOne('/api/systems').flush([1]);
  reading('/api/accounts');
  await turn();
  http().expectOne('/api/accounts').flush([2]);
  expect(first.seen).toEqual([[1]]);
});

test('an outage fails each of them, and each may be read again', async () => {
  const two = [reading('/api/systems'), reading('/api/cylinders')];
  await turn();
  request().error(new ProgressEvent('error'));
  expect(two.map(({ seen }) => seen)).toEqual([[0], [0]]);
  const again = reading('/api/systems');
  await turn();
  http().expectOne('/api/systems').flush([3]);
  expect(again.seen).toEqual([[3]]);
});

test('nobody waits for what one gave up; what all gave up is given up', async () => {
  const [given, waiting] = [reading('/api/systems'), reading('/api/cylinders')];
  await turn();
  const asked = request();
  given.giveUp();
  expect(asked.cancelled).toBe(false);
  waiting.giveUp();
  expect(asked.cancelled).toBe(true);
});

test('more than the server takes at once go in two requests', async () => {
  for (let k = 0; k <= MOST_READS_COUNT; k++) reading(`/api/systems/${k}`);
  await turn();
  expect(request().request.params.getAll('of')).toHaveLength(MOST_READS_COUNT);
  http().expectOne(`/api/systems/${MOST_READS_COUNT}`);
});

test('what is written, and what is no JSON, goes by itself', async () => {
  const client = TestBed.inject(HttpClient);
  client.post('/api/visits', {}).subscribe();
  client.get('/api/photographs/a.jpg', { responseType: 'arraybuffer' }).subscribe();
  http().expectOne('/api/visits');
  http().expectOne('/api/photographs/a.jpg');
  await turn();
  http().verify();
});
