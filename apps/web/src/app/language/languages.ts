import { en_GB, en_US, type NzI18nInterface } from 'ng-zorro-antd/i18n';
import { SOURCE_LOCALE, type Messages } from './kept-language';

export interface Language {
  /** In its own words. */
  readonly name: string;
  readonly messages: () => Promise<Messages>;
  /** What the component library says by itself. */
  readonly library: NzI18nInterface;
}

const american: Language = { name: 'English (US)', messages: () => Promise.resolve({}), library: en_US };

/** Every language by its locale. Another one is a file of messages, and a line here. */
export const languages: Readonly<Record<string, Language>> = {
  [SOURCE_LOCALE]: american,
  'en-GB': {
    name: 'English (UK)',
    messages: () => import('../../messages/en-GB.json').then((file) => file.default.translations),
    library: en_GB,
  },
};

/** The language of the program where this one is not known any more. */
export const languageOf = (locale: string): Language => languages[locale] ?? american;
