// @ts-check
import assert from 'node:assert/strict';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import test from 'node:test';
import { inBritish } from './british.mjs';
import { compared, messagesIn, messagesOf, otherLocales, SOURCE_LOCALE } from './messages.mjs';

test('British spelling keeps capitals, placeholders and every other word', () => {
  assert.equal(inBritish('Vapor at {$vapor}: the vapor of 3 meters, evaporator'), 'Vapour at {$vapor}: the vapour of 3 metres, evaporator');
  assert.equal(inBritish('Labeled again'), 'Labelled again');
});

test('what a built application says is found with its placeholders', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'messages-'));
  try {
    writeFileSync(path.join(folder, 'chunk-a.js'), 'const a=$localize`Close the valve`,b=(n)=>$localize`Fill ${n}:name: now`;');
    writeFileSync(path.join(folder, 'chunk-b.js'), 'export const none = "Close the valve";');
    assert.deepEqual(Object.values(await messagesIn(folder)).sort(), ['Close the valve', 'Fill {$name} now']);
  } finally {
    rmSync(folder, { recursive: true });
  }
});

test('what a language lacks, and what it has for nothing', () => {
  assert.deepEqual(compared({ 1: 'a', 2: 'b' }, { 2: 'B', 3: 'C' }), { missing: ['1'], gone: ['3'] });
});

test('every language keeps the placeholders of each of its messages', () => {
  const source = messagesOf(SOURCE_LOCALE);
  const held = (/** @type {string} */ text) => (text.match(/\{\$[^}]*\}/g) ?? []).sort();
  for (const locale of otherLocales()) {
    const messages = messagesOf(locale);
    assert.ok(Object.keys(messages).length > 0, locale);
    for (const [id, text] of Object.entries(messages)) assert.deepEqual(held(text), held(source[id] ?? ''), `${locale} ${id}`);
  }
});
