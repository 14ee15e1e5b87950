// @ts-check
import assert from 'node:assert/strict';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, before, test } from 'node:test';
import { pathToFileURL } from 'node:url';
import { fewerChunks, groupOf } from './fewer-chunks.mjs';

const LARGE = `/*${'x'.repeat(30_000)}*/`;
/** Three pages behind one main file, as a builder cuts them. @type {Record<string, string>} */
const codes = {
  'main-A.js': 'import{a}from"./chunk-ATONCE.js";globalThis.pages=[()=>import("./chunk-TODAY.js"),()=>import("./chunk-BOOK.js"),()=>import("./chunk-FILL.js"),()=>import("./chunk-BENCH.js")];',
  'chunk-ATONCE.js': 'export const a=1;',
  'chunk-TODAY.js': 'import{a}from"./chunk-ATONCE.js";import{f}from"./chunk-FIRST.js";export const today=["hy-today-page",a+f];',
  'chunk-BOOK.js': 'import{f}from"./chunk-FIRST.js";import{c}from"./chunk-SMALL.js";import{l}from"./chunk-LARGE.js";export const book=f+c+l;',
  'chunk-FILL.js': 'import{c}from"./chunk-SMALL.js";import{l}from"./chunk-LARGE.js";export const fill=c+l;',
  'chunk-BENCH.js': 'import{c}from"./chunk-SMALL.js";import{l}from"./chunk-LARGE.js";import{o}from"./chunk-OWN.js";export const bench=c+l+o;',
  'chunk-FIRST.js': 'export const f=10;',
  'chunk-SMALL.js': 'export const c=100;',
  'chunk-LARGE.js': `${LARGE}export const l=1000;`,
  'chunk-OWN.js': 'export const o=10000;',
}; // prettier-ignore

test('what the first page shares goes with it, what is small and shared by many is common, the rest stays', () => {
  const group = groupOf(codes, { main: 'main-A.js', firstPage: 'chunk-TODAY.js' });
  const groups = Object.fromEntries(Object.keys(codes).map((file) => [file, group(file)]));
  assert.deepEqual(groups, {
    'main-A.js': undefined,
    'chunk-ATONCE.js': undefined,
    'chunk-TODAY.js': undefined,
    'chunk-BOOK.js': undefined,
    'chunk-FILL.js': undefined,
    'chunk-BENCH.js': undefined,
    'chunk-FIRST.js': 'first',
    'chunk-SMALL.js': 'common',
    'chunk-LARGE.js': undefined,
    'chunk-OWN.js': undefined,
  });
});

/** @type {string} */
let folder;
before(() => (folder = mkdtempSync(path.join(tmpdir(), 'chunks-'))));
after(() => rmSync(folder, { recursive: true, force: true }));

test('the page loads the new files, every part still says what it said, and nothing of the first page brings the others', async () => {
  for (const [file, code] of Object.entries(codes)) writeFileSync(path.join(folder, file), code);
  writeFileSync(path.join(folder, 'package.json'), '{"type":"module"}');
  const html = '<link rel="modulepreload" href="chunk-ATONCE.js"><script src="main-A.js" type="module"></script>';
  writeFileSync(path.join(folder, 'index.html'), html);
  await fewerChunks(folder, 'hy-today-page');

  const page = readFileSync(path.join(folder, 'index.html'), 'utf8');
  const main = /main-[0-9a-z]{8}\.js/.exec(page)?.[0] ?? '';
  assert.ok(readdirSync(folder).includes(main), page);
  assert.ok(!page.includes('ATONCE'), page);
  await import(pathToFileURL(path.join(folder, main)).href);
  const pages = /** @type {{ pages: (() => Promise<Record<string, unknown>>)[] }} */ (/** @type {unknown} */ (globalThis)).pages;
  const said = await Promise.all(pages.map(async (load) => Object.values(await load()).flat()));
  assert.deepEqual(
    said.map((values) => values.at(-1)),
    [11, 1110, 1100, 11100],
  );

  const files = readdirSync(folder).filter((file) => file.endsWith('.js'));
  assert.ok(files.length < Object.keys(codes).length, files.join());
  const today = files.find((file) => readFileSync(path.join(folder, file), 'utf8').includes('hy-today-page')) ?? '';
  assert.ok(!/100/.test(readFileSync(path.join(folder, today), 'utf8')));
});

test('a folder without a first page is refused before anything is removed', async () => {
  const before = readdirSync(folder).sort();
  await assert.rejects(fewerChunks(folder, 'hy-nowhere'), /none with hy-nowhere/);
  assert.deepEqual(readdirSync(folder).sort(), before);
});
