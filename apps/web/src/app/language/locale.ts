import { SOURCE_LOCALE } from './kept-language';

/** The locale of what is on the screen: days and hours are written as it is done there. */
export const locale = (): string => $localize.locale ?? SOURCE_LOCALE;
