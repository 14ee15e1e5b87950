import { TestBed } from '@angular/core/testing';
import { defer, NEVER, of, throwError } from 'rxjs';
import { painted, refrigerants, render, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { Connection } from '../data/connection';
import { RefrigerantField } from './refrigerant-field';

// the list scrolls to what is marked, which jsdom cannot
beforeAll(() => {
  Element.prototype.scrollTo = () => undefined;
});

const opened = async (refrigerants$: unknown) => {
  stage({ serverData: { refrigerants$ } });
  const { fixture, root } = await render(RefrigerantField);
  root.querySelector('nz-select')!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
  const offered = async () => {
    await painted(fixture);
    fixture.detectChanges();
    return (document.querySelector('nz-option-container')?.textContent ?? '').trim();
  };
  return { offered };
};

test('a list that could not be read says so, and is there once it can be', async () => {
  let works = false;
  const outage = throwError(() => new ApiError('unavailable', 'The database does not answer.'));
  const { offered } = await opened(defer(() => (works ? of(refrigerants) : outage)));
  expect(await offered()).toBe('The list of refrigerants cannot be read now. Is the server running?');
  works = true;
  TestBed.inject(Connection).tryAgain();
  expect(await offered()).toContain(refrigerants[0]!.id);
});

test('a list that is on its way is not an empty one', async () => {
  const { offered } = await opened(NEVER);
  expect(await offered()).toBe('Reading the list of refrigerants');
});
