import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { words } from './words';

test('what the tests look for in more than one place is a message of the application', () => {
  const catalogue = new URL('../apps/web/src/messages/en-US.json', import.meta.url);
  const { translations } = JSON.parse(readFileSync(catalogue, 'utf8')) as { translations: Record<string, string> };
  const messages = new Set(Object.values(translations).map((message) => message.trim()));
  expect(Object.values(words).filter((word) => !messages.has(word))).toEqual([]);
});
