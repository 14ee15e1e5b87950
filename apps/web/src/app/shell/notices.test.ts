import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { firstValueFrom, Subject } from 'rxjs';
import { Connection } from '../data/connection';
import { DRAFT_STORAGE } from '../data/draft-store';
import { maySendAgain, onceMore } from '../data/once-more';
import { PreferencesService } from '../preferences/preferences.service';
import { Notices } from './notices';
import { ToldErrors } from './told-errors';
import { StalePages } from './stale-pages';

const text = (storage: object | null = localStorage, person = 'Ines Marrow') => {
  TestBed.configureTestingModule({ providers: [provideRouter([]), { provide: DRAFT_STORAGE, useValue: storage }] });
  TestBed.inject(PreferencesService).change({ person });
  const page = TestBed.createComponent(Notices);
  return () => {
    page.detectChanges();
    return (page.nativeElement as HTMLElement).textContent?.trim() ?? '';
  };
};

test('usually nothing is said', () => {
  expect(text()()).toBe('');
});

test('a request without an answer is said within 5 s, and no longer once it came', () => {
  jest.useFakeTimers();
  const said = text();
  const answer$ = new Subject<number>();
  TestBed.inject(Connection).watched(answer$).subscribe();
  jest.advanceTimersByTime(3000);
  expect(said()).toBe('');
  jest.advanceTimersByTime(2000);
  expect(said()).toMatch(/does not answer/);
  answer$.complete();
  expect(said()).toBe('');
  jest.useRealTimers();
});

test('a browser that keeps nothing is told', () => {
  expect(text(null)()).toMatch(/keeps nothing/);
});

test('a device on which nobody works yet asks who does', () => {
  expect(text(localStorage, ' ')()).toMatch(/say who you are/);
});

test('what nobody foresaw is told once, and a person may go on', () => {
  const said = text();
  const log = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  TestBed.inject(ToldErrors).handleError(new Error('nobody thought of this'));
  expect(said()).toMatch(/Something went wrong on this page/);
  TestBed.inject(ToldErrors).dismiss();
  expect(said()).toBe('');
  log.mockRestore();
});

test('a part of the program that is gone offers to load the new one; another error is no such thing', () => {
  const said = text();
  const stale = TestBed.inject(StalePages);
  stale.failed({ error: new TypeError('x is undefined'), url: '/book' });
  expect(said()).toBe('');
  stale.failed({ error: new TypeError('Failed to fetch dynamically imported module: /chunk-ABC.js'), url: '/book' });
  expect(said()).toMatch(/newer version/);
});

describe('sent again by itself', () => {
  const outage = new HttpErrorResponse({ status: 503 });
  test('is a question and a booking with a key, after an outage, for a while', async () => {
    expect([maySendAgain('GET', undefined), maySendAgain('POST', { key: 'k' })]).toEqual([true, true]);
    await expect(firstValueFrom(onceMore(outage, 1))).resolves.toBe(0);
    await expect(firstValueFrom(onceMore(outage, 6))).rejects.toBe(outage);
  });
  test('is nothing that was decided, and nothing that could be done twice', async () => {
    const refused = new HttpErrorResponse({ status: 409 });
    await expect(firstValueFrom(onceMore(refused, 1))).rejects.toBe(refused);
    expect([maySendAgain('PUT', { version: 3 }), maySendAgain('POST', undefined)]).toEqual([false, false]);
  });
});
