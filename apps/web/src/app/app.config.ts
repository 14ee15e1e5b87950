import { provideHttpClient, withFetch } from '@angular/common/http';
import { inject, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import {
  provideRouter,
  RouteReuseStrategy,
  TitleStrategy,
  withComponentInputBinding,
  withInMemoryScrolling,
  withNavigationErrorHandler,
} from '@angular/router';
import { en_US, provideNzI18n } from 'ng-zorro-antd/i18n';
import { routes } from './app.routes';
import { FreshPage } from './shell/fresh-page';
import { StalePages } from './shell/stale-pages';
import { PageTitle } from './shell/page-title';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch()),
    provideRouter(
      routes,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'enabled' }),
      withNavigationErrorHandler((error) => inject(StalePages).failed(error)),
    ),
    provideNzI18n(en_US),
    { provide: TitleStrategy, useClass: PageTitle },
    { provide: RouteReuseStrategy, useClass: FreshPage },
  ],
};
