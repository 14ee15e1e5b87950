import { ErrorHandler } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { stages } from '@hygromet/core/visit/stage';
import { painted, render, stage } from '../../../test/scene';
import { VisitStepper } from './visit-stepper';

async function stepper(goes: () => Promise<boolean>) {
  const handleError = jest.fn();
  stage({ providers: [{ provide: ErrorHandler, useValue: { handleError } }] });
  const navigate = jest.spyOn(TestBed.inject(Router), 'navigateByUrl').mockImplementation(goes);
  const states = stages.map((name) => ({ stage: name, state: 'ahead', lacks: [] }));
  const page = await render(VisitStepper, { visit: 'v1', states, here: 'look' });
  const link = (name: string) => page.root.querySelector<HTMLAnchorElement>(`a[href$="/${name}"]`)!;
  return { ...page, navigate, handleError, link, here: () => page.root.querySelector('[aria-current=step]')?.textContent?.trim() };
}

test('a stage that is touched is marked before the way there begins', async () => {
  const { fixture, link, here, navigate } = await stepper(() => new Promise(() => undefined));
  expect(link('method').getAttribute('href')).toBe('/visits/v1/method');
  link('method').click();
  fixture.detectChanges();
  expect(here()).toBe('Method');
  expect(navigate).not.toHaveBeenCalled();
  await painted(fixture);
  expect(navigate).toHaveBeenCalledWith('/visits/v1/method');
  expect(here()).toBe('Method');
});

test('of two touches the last one counts', async () => {
  const { fixture, link, navigate } = await stepper(() => new Promise(() => undefined));
  link('method').click();
  link('prove').click();
  await painted(fixture);
  expect(navigate.mock.calls).toEqual([['/visits/v1/prove']]);
});

test.each([
  ['is refused', () => Promise.resolve(false), 0],
  ['fails', () => Promise.reject(new Error('no way')), 2],
])('a way that %s leaves the stage that is here marked, and the next touch goes', async (_, goes, reported) => {
  const { fixture, link, here, navigate, handleError } = await stepper(goes);
  for (const times of [1, 2]) {
    link('method').click();
    await painted(fixture);
    expect(navigate).toHaveBeenCalledTimes(times);
    expect(here()).toBe('Look');
  }
  expect(handleError).toHaveBeenCalledTimes(reported);
});

test('a stage for another tab is left to the browser', async () => {
  const { fixture, link, here, navigate } = await stepper(() => Promise.resolve(true));
  const click = new MouseEvent('click', { ctrlKey: true, cancelable: true, bubbles: true });
  link('method').addEventListener('click', (event) => event.preventDefault()); // jsdom opens no tabs
  link('method').dispatchEvent(click);
  await painted(fixture);
  expect(navigate).not.toHaveBeenCalled();
  expect(here()).toBe('Look');
});
