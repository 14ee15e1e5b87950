import { createHash } from 'node:crypto';

/** Each field as its length in bytes, a colon and its text; a missing one as `-`. The database writes the same by `sealed_text`. */
export const sealedText = (fields: readonly (string | null)[]): string =>
  fields.map((field) => (field === null ? '-' : `${Buffer.byteLength(field)}:${field}`)).join('');

/** The next link of the chain. */
export const linked = (before: Buffer, text: string): Buffer => createHash('sha256').update(before).update(text, 'utf8').digest();
