import { DOCUMENT } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { clearTranslations, loadTranslations } from '@angular/localize';
import american from '../../messages/en-US.json';
import british from '../../messages/en-GB.json';
import { monthDayYear } from '../ui/day';
import { keepLanguage, keptLanguage } from './kept-language';
import { LanguageService } from './language.service';
import { languageOf, languages } from './languages';

/** The service in a window that only counts how often it began anew. */
function service() {
  const location = { reloads: 0, reload: () => void location.reloads++ };
  TestBed.configureTestingModule({
    providers: [{ provide: DOCUMENT, useValue: { defaultView: { location }, querySelectorAll: () => [] } }],
  });
  return { language: TestBed.inject(LanguageService), location };
}

afterEach(() => {
  localStorage.clear();
  clearTranslations();
});

test('a language is kept with its messages, and that of the program with none', () => {
  expect(keptLanguage()).toBeUndefined();
  expect(keepLanguage({ locale: 'en-GB', messages: { '1': 'vapour' } })).toBe(true);
  expect(keptLanguage()).toEqual({ locale: 'en-GB', messages: { '1': 'vapour' } });
  keepLanguage({ locale: 'en-US', messages: {} });
  expect(keptLanguage()).toBeUndefined();
});

test.each(['{', '7', 'null', '{"locale":"en-GB"}', '{"locale":7,"messages":{}}'])('what was cut short is no language: %s', (stored) => {
  localStorage.setItem('hygromet.language', stored);
  expect(keptLanguage()).toBeUndefined();
});

test('one that is chosen is fetched, kept, and the page begins anew', async () => {
  const { language, location } = service();
  expect(language.current).toBe('en-US');
  expect(language.choices.map(({ value }) => value)).toEqual(Object.keys(languages));
  expect(await language.choose('en-GB')).toBe(true);
  expect(location.reloads).toBe(1);
  expect(keptLanguage()).toEqual({ locale: 'en-GB', messages: british.translations });
  await language.choose('en-US');
  expect(keptLanguage()).toBeUndefined();
});

test('messages of an older program are renewed; a language that is gone becomes that of the program', async () => {
  const { language } = service();
  await language.renew();
  expect(keptLanguage()).toBeUndefined();
  keepLanguage({ locale: 'en-GB', messages: { old: 'old' } });
  await language.renew();
  expect(keptLanguage()?.messages).toEqual(british.translations);
  keepLanguage({ locale: 'nl', messages: { old: 'oud' } });
  await language.renew();
  expect(keptLanguage()).toBeUndefined();
  expect(languageOf('nl')).toBe(languages['en-US']);
});

test('a message is found in the file of its language by its text', () => {
  const said = () => $localize`Vapor density`;
  expect(Object.values(american.translations)).toContain(said());
  loadTranslations(british.translations);
  expect(said()).toBe('Vapour density');
});

test('days are written as the locale of the program does', () => expect(monthDayYear('2026-11-29')).toBe('Nov 29, 2026'));
