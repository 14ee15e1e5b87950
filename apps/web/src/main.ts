import { bootstrapApplication } from '@angular/platform-browser';
import { AppRoot } from './app/app-root';
import { appConfig } from './app/app.config';
import { LanguageService } from './app/language/language.service';

// blocked storage, or another way to the page than its own address: then a reload shows the browser's own error
if ('serviceWorker' in navigator) navigator.serviceWorker.register('waiting.js').catch(() => undefined);

bootstrapApplication(AppRoot, appConfig)
  .then(({ injector }) => injector.get(LanguageService).renew())
  .catch((error: unknown) => console.error(error));
