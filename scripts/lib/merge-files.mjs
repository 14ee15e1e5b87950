// @ts-check
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import { fileGroups } from './file-groups.mjs';

/** Quick, for a size to decide by; what is sent is compressed as far as it goes. */
const QUICK = { params: { [constants.BROTLI_PARAM_QUALITY]: 5 } };

/**
 * Makes fewer files of a built application (`file-groups.mjs`), and lets its page name those of the start.
 * @param {string} folder
 */
export async function mergeFiles(folder) {
  const { rolldown } = await import('rolldown');
  const texts = new Map(
    readdirSync(folder)
      .filter((name) => /^(main|chunk)-.*\.js$/.test(name))
      .map((name) => [name, readFileSync(path.join(folder, name), 'utf8')]),
  );
  const main = [...texts.keys()].find((name) => name.startsWith('main-'));
  if (main === undefined) throw new Error(`${folder} is no built application: it has no main file.`);
  const groupOf = new Map(
    fileGroups(graphOf(texts), main).flatMap((group, index) => group.map((name) => /** @type {const} */ ([name, `group-${index}`]))),
  );
  groupOf.delete(main); // it has its own name, and a file that only it needs would else become a part of it

  const bundle = await rolldown({
    input: main,
    preserveEntrySignatures: 'allow-extension',
    plugins: [
      {
        name: 'files-of-the-build',
        resolveId: (/** @type {string} */ source) =>
          texts.has(path.posix.basename(source)) ? path.posix.basename(source) : { id: source, external: true },
        load: (/** @type {string} */ id) => ({ code: texts.get(id) ?? '' }),
      },
    ],
  });
  const { output } = await bundle.generate({
    entryFileNames: 'main-[hash].js',
    chunkFileNames: 'chunk-[hash].js',
    hashCharacters: 'base36',
    minify: { compress: false, mangle: false },
    codeSplitting: { includeDependenciesRecursively: false, groups: [{ name: (/** @type {string} */ id) => groupOf.get(id) ?? null }] },
  });
  await bundle.close();

  for (const name of texts.keys()) rmSync(path.join(folder, name));
  const made = new Map(
    output
      .filter((file) => file.type === 'chunk')
      .map(({ fileName, code, imports, isEntry }) => [
        inCapitals(fileName),
        { code: inCapitals(code), imports: imports.map(inCapitals), isEntry },
      ]),
  );
  for (const [name, { code }] of made) writeFileSync(path.join(folder, name), code);
  const page = path.join(folder, 'index.html');
  writeFileSync(page, pageWith(readFileSync(page, 'utf8'), inOrder(made)));
}

/** Hashes as the build writes them: by their form the server knows what may be kept for good. @param {string} text */
const inCapitals = (text) =>
  text.replaceAll(/\b(?:main|chunk)-[a-z0-9]{8}\.js/g, (name) => name.replace(/[a-z0-9]{8}(?=\.js)/, (hash) => hash.toUpperCase()));

/** @param {Map<string, string>} texts @returns {Map<string, import('./file-groups.mjs').Built>} */
const graphOf = (texts) =>
  new Map(
    [...texts].map(([name, text]) => {
      const named = (/** @type {RegExp} */ by) =>
        [...new Set([...text.matchAll(by)].map(([, file]) => file ?? ''))].filter((file) => texts.has(file));
      return [
        name,
        {
          bytes: brotliCompressSync(text, QUICK).length,
          needs: named(/(?:from|import)\s*"\.\/([^"]+)"/g),
          later: named(/import\("\.\/([^"]+)"\)/g),
        },
      ];
    }),
  );

/** The files of the start, each after those that it needs. @param {Map<string, { isEntry: boolean, imports: string[] }>} made @returns {string[]} */
function inOrder(made) {
  /** @type {Set<string>} */
  const order = new Set();
  const visit = (/** @type {string} */ name) => {
    made.get(name)?.imports.forEach((each) => order.has(each) || visit(each));
    order.add(name);
  };
  for (const [name, { isEntry }] of made) if (isEntry) visit(name);
  return [...order];
}

/** Each file of the start as a script of its own: the browser runs them one after the other, with a moment between. @param {string} html @param {string[]} files */
function pageWith(html, files) {
  const scripts = files.map((name) => `<script src="${name}" type="module"></script>`).join('');
  return html
    .replaceAll(/<link rel="modulepreload" href="[^"]+">/g, '')
    .replace(/<script src="main-[^"]+" type="module"><\/script>/, scripts);
}
