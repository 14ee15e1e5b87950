/** The standard fonts know Latin letters alone; what they cannot print is left as a question mark rather than refused. */
export const printable = (text: string): string => text.replace(/−/g, '-').replace(/[^\x20-\x7E\xA0-\xFF]/g, '?');
