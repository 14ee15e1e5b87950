import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import {
  ErrorHandler,
  inject,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import {
  provideRouter,
  RouteReuseStrategy,
  TitleStrategy,
  withComponentInputBinding,
  withInMemoryScrolling,
  withNavigationErrorHandler,
} from '@angular/router';
import { provideNzI18n } from 'ng-zorro-antd/i18n';
import { languageOf } from './language/languages';
import { locale } from './language/locale';
import { interceptors } from './data/interceptors';
import { readsTogether } from './data/reads-together';
import { routes } from './app.routes';
import { FreshPage } from './shell/fresh-page';
import { ToldErrors } from './shell/told-errors';
import { StalePages } from './shell/stale-pages';
import { PageTitle } from './shell/page-title';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: ToldErrors },
    provideHttpClient(withFetch(), withInterceptors([...interceptors, readsTogether])),
    provideRouter(
      routes,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'enabled' }),
      withNavigationErrorHandler((error) => inject(StalePages).failed(error)),
    ),
    provideNzI18n(languageOf(locale()).library),
    { provide: TitleStrategy, useClass: PageTitle },
    { provide: RouteReuseStrategy, useClass: FreshPage },
  ],
};
