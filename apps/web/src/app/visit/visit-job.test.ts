import { TestBed } from '@angular/core/testing';
import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import { NEVER, of, throwError } from 'rxjs';
import { aVisit, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { VisitJob } from './visit-job';

beforeEach(() => jest.useFakeTimers({ now: Date.parse('2026-11-26T08:00:00Z') }));
afterEach(() => jest.useRealTimers());

/** What is put into the queue of a visit whose server answers so, one answer after the other. */
function queue(answers: readonly ('offline' | 'kept' | 'refused')[]) {
  const tried: NewVisitEvent[] = [];
  const addVisitEvent$ = (_: string, event: NewVisitEvent) => {
    tried.push(event);
    const answer = answers[tried.length - 1] ?? 'kept';
    return answer === 'kept' ? of(aVisit()) : throwError(() => new ApiError('offline', answer));
  };
  stage({ id: 'v1', serverData: { addVisitEvent$, visit$: () => NEVER, readVisit$: () => NEVER }, providers: [VisitJob] });
  const job = TestBed.inject(VisitJob);
  return { tried, add: TestBed.runInInjectionContext(() => job.queue()) };
}
const marked = (gaugePa: number) => ({ kind: 'charge-noted', note: { what: 'low-switch-stops', gaugePa } }) as const;

test('what happens is added in its order and as it was said then, also where the first could not be sent', () => {
  const { tried, add } = queue(['offline']);
  add(marked(1));
  jest.advanceTimersByTime(1000);
  add(marked(2));
  expect(tried).toHaveLength(1);
  jest.advanceTimersByTime(4000);
  expect(tried.map((event) => event.kind === 'charge-noted' && event.note)).toEqual([marked(1).note, marked(1).note, marked(2).note]);
  expect(tried[1]).toEqual(tried[0]);
  // the second was said a second later, however late it was sent
  expect(Date.parse(tried[2]!.happenedAt) - Date.parse(tried[0]!.happenedAt)).toBe(1000);
  expect(tried[2]!.key).not.toBe(tried[0]!.key);
});

test('what is refused again and again keeps nothing else back for ever', () => {
  const { tried, add } = queue(Array.from({ length: 101 }, () => 'refused' as const));
  add(marked(1));
  add(marked(2));
  jest.advanceTimersByTime(500_000);
  expect(tried).toHaveLength(102);
  expect(tried.at(-1)).toMatchObject(marked(2));
});
