// @ts-check
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { at } from './paths.mjs';

/** Text by id. @typedef {Record<string, string>} Messages */

export const SOURCE_LOCALE = 'en-US';
const FOLDER = at('apps/web/src/messages');

/** @param {string} locale */
const fileOf = (locale) => path.join(FOLDER, `${locale}.json`);

/** Every locale that has a file, but that of the program. */
export const otherLocales = () =>
  readdirSync(FOLDER)
    .map((name) => path.basename(name, '.json'))
    .filter((locale) => locale !== SOURCE_LOCALE);

/** @param {string} locale @returns {Messages} */
export const messagesOf = (locale) => JSON.parse(readFileSync(fileOf(locale), 'utf8')).translations;

/** @param {string} locale @param {Messages} messages */
export const writeMessages = (locale, messages) =>
  writeFileSync(fileOf(locale), `${JSON.stringify({ locale, translations: sorted(messages) }, null, 2)}\n`);

/** By their text, so that a change of one line moves no other. @param {Messages} messages @returns {Messages} */
const sorted = (messages) =>
  Object.fromEntries(Object.entries(messages).sort(([idA, a], [idB, b]) => (a === b ? compare(idA, idB) : compare(a, b))));
const compare = (/** @type {string} */ a, /** @type {string} */ b) => (a < b ? -1 : 1);

/** Every message in the files of a built application. @param {string} folder @returns {Promise<Messages>} */
export async function messagesIn(folder) {
  const [{ MessageExtractor }, { ConsoleLogger, LogLevel, NodeJSFileSystem }] = await Promise.all([
    import('@angular/localize/tools'),
    import('@angular/compiler-cli'),
  ]);
  const extractor = new MessageExtractor(new NodeJSFileSystem(), new ConsoleLogger(LogLevel.warn), {
    basePath: /** @type {any} */ (folder),
    useSourceMaps: false,
  });
  const files = readdirSync(folder).filter(
    (name) => name.endsWith('.js') && readFileSync(path.join(folder, name), 'utf8').includes('$localize'),
  );
  return Object.fromEntries(files.flatMap((name) => extractor.extractMessages(name)).map(({ id, text }) => [id, text]));
}

/** What a file of messages lacks, and what it has for nothing. @param {Messages} source @param {Messages} other */
export const compared = (source, other) => ({
  missing: Object.keys(source).filter((id) => !(id in other)),
  gone: Object.keys(other).filter((id) => !(id in source)),
});
