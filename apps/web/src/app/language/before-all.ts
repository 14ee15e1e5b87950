import '@angular/localize/init';
import { loadTranslations } from '@angular/localize';
import { keptLanguage } from './kept-language';

// before anything else is read: labels of modules are put into words as they are loaded
const kept = keptLanguage();
if (kept !== undefined) {
  loadTranslations(kept.messages);
  $localize.locale = kept.locale;
  document.documentElement.lang = kept.locale;
}
