import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { settledOnce } from './settled';

describe('a page that is read in pieces', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  test('is shown when all of them are there, and stays while one is read anew', () => {
    const there = signal(false);
    const settled = TestBed.runInInjectionContext(() => settledOnce(there));
    expect(settled()).toBe(false);
    there.set(true);
    expect(settled()).toBe(true);
    there.set(false);
    expect(settled()).toBe(true);
  });

  test('is shown without them after a while', () => {
    const settled = TestBed.runInInjectionContext(() => settledOnce(() => false));
    jest.advanceTimersByTime(1000);
    expect(settled()).toBe(false);
    jest.advanceTimersByTime(1000);
    expect(settled()).toBe(true);
  });
});
