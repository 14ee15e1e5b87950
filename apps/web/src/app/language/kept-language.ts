/** The language in which the program is written. */
export const SOURCE_LOCALE = 'en-US';
const KEY = 'hygromet.language';

/** Text by the id of its message. */
export type Messages = Readonly<Record<string, string>>;

/** A language as a device keeps it: with its messages, so that the first paint has them. */
export interface KeptLanguage {
  readonly locale: string;
  readonly messages: Messages;
}

/** The language this device chose; nothing where it is that of the program, or where nothing can be kept. */
export function keptLanguage(): KeptLanguage | undefined {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    return isLanguage(kept) ? kept : undefined;
  } catch {
    return undefined; // storage is blocked, or was cut short
  }
}

/** @returns whether it could be kept */
export function keepLanguage(language: KeptLanguage): boolean {
  try {
    if (language.locale === SOURCE_LOCALE) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(language));
    return true;
  } catch {
    return false;
  }
}

const isLanguage = (kept: unknown): kept is KeptLanguage =>
  typeof kept === 'object' &&
  kept !== null &&
  'locale' in kept &&
  typeof kept.locale === 'string' &&
  'messages' in kept &&
  typeof kept.messages === 'object' &&
  kept.messages !== null;
