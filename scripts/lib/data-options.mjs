// @ts-check
import path from 'node:path';
import { parseArgs } from 'node:util';
import { root } from './paths.mjs';
import { Stop } from './say.mjs';

/**
 * What is typed after a command that works on a data folder: at most one word of its own, `--data DIR`, and the options that it names.
 * @param {string[]} args @param {{ help: string, more?: Record<string, { type: 'string' }> }} own
 * @returns {{ word: string | undefined, dataFolder: string, values: Record<string, string | undefined> }}
 */
export function dataOptions(args, { help, more = {} }) {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: { data: { type: 'string', default: '.data' }, ...more },
    });
    if (positionals.length > 1) throw new Error(`"${positionals[1]}" is one word too many.`);
    const texts = /** @type {Record<string, string | undefined>} */ (values);
    return { word: positionals[0], dataFolder: path.resolve(root, texts['data'] ?? '.data'), values: texts };
  } catch (error) {
    throw new Stop(`${error instanceof Error ? error.message : error}\n\n${help}`);
  }
}
