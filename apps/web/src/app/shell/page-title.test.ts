import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Title } from '@angular/platform-browser';
import { provideRouter, Router, TitleStrategy } from '@angular/router';
import { routes } from '../app.routes';
import { PageTitle } from './page-title';

@Component({ selector: 'hy-nowhere', template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Nowhere {}

const titleAt = async (path: string, title?: string) => {
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path, component: Nowhere, ...(title === undefined ? {} : { title }) }]),
      { provide: TitleStrategy, useClass: PageTitle },
    ],
  });
  await TestBed.inject(Router).navigateByUrl(`/${path}`);
  return TestBed.inject(Title).getTitle();
};

test('the window is called by the page, then by the program', async () => {
  expect(await titleAt('book', 'Log')).toBe('Log · Hygromet');
});

test('a page without a name leaves the program’s', async () => {
  expect(await titleAt('somewhere')).toBe('Hygromet');
});

test('every place has a name, and an address that is nowhere has its page', () => {
  const places = routes.filter(({ redirectTo }) => redirectTo === undefined);
  for (const { path, title } of places) expect([path, typeof title === 'string' && title.length > 2]).toEqual([path, true]);
  expect(routes.at(-1)?.path).toBe('**');
});
