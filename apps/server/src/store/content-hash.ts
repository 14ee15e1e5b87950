import { createHash } from 'node:crypto';

/** What makes two sendings with one key the same: everything that was said, in the order in which its schema has it. */
export const contentHash = (content: object): string => createHash('sha256').update(JSON.stringify(content)).digest('hex');
